<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\ArchiveController;
use App\Http\Controllers\CaptionController;
use App\Http\Controllers\CourseController;
use App\Http\Controllers\CueController;
use App\Http\Controllers\DeckController;
use App\Http\Controllers\DeliveryController;
use App\Http\Controllers\DraftController;
use App\Http\Controllers\ExportController;
use App\Http\Controllers\HistoryController;
use App\Http\Controllers\LessonController;
use App\Http\Controllers\LessonStyleController;
use App\Http\Controllers\MemberController;
use App\Http\Controllers\MusicController;
use App\Http\Controllers\NoticeController;
use App\Http\Controllers\PairedDeviceController;
use App\Http\Controllers\PresenceController;
use App\Http\Controllers\PublicationController;
use App\Http\Controllers\ScriptController;
use App\Http\Controllers\SearchController;
use App\Http\Controllers\SectionController;
use App\Http\Controllers\SlideController;
use App\Http\Controllers\StandInController;
use App\Http\Controllers\StorageController;
use App\Http\Controllers\TakeController;
use App\Http\Controllers\TrackController;
use App\Http\Controllers\TranslationController;
use App\Queries\Film\SidecarFile;
use Illuminate\Support\Facades\Route;

/*
 * Looking at what an address names asks for the right to see it, and everything else for the right to write, unless it stands
 * in a group with another `right` (OpenReel\Core\People\Right, App\Http\Middleware\Authorize).
 */

// Asked by a page that could not reach the server a moment ago.
Route::get('here', fn () => response()->noContent());
Route::get('me', [AccountController::class, 'me']);

Route::apiResource('lessons', LessonController::class)->except('destroy');
Route::group(['right' => 'own'], function (): void {
    Route::delete('lessons/{lesson}', [LessonController::class, 'destroy']);
    Route::post('lessons/{lesson}/restore', [LessonController::class, 'restore'])->withTrashed();
    Route::post('lessons/{lesson}/members', [MemberController::class, 'addToLesson']);
    Route::post('lessons/{lesson}/invitations', [MemberController::class, 'inviteToLesson']);
    Route::post('courses/{course}/members', [MemberController::class, 'addToCourse']);
    Route::post('courses/{course}/invitations', [MemberController::class, 'inviteToCourse']);
    Route::patch('memberships/{membership}', [MemberController::class, 'update']);
    Route::delete('invitations/{invitation}', [MemberController::class, 'withdraw']);
});
Route::get('lessons/{lesson}/members', [MemberController::class, 'ofLesson']);
Route::get('courses/{course}/members', [MemberController::class, 'ofCourse']);
// Whoever takes part may leave; the controller asks whether it is the owner who removes somebody.
Route::group(['right' => 'see'], fn () => Route::delete('memberships/{membership}', [MemberController::class, 'destroy']));
Route::get('lessons/{lesson}/draft', [DraftController::class, 'show']);
Route::post('lessons/{lesson}/draft', [DraftController::class, 'store']);
Route::patch('lessons/{lesson}/draft', [DraftController::class, 'update']);
Route::group(['right' => 'comment'], function (): void {
    Route::post('lessons/{lesson}/approvals', [DraftController::class, 'approve']);
    Route::delete('lessons/{lesson}/approvals/mine', [DraftController::class, 'takeBack']);
});
Route::group(['right' => 'see'], function (): void {
    Route::put('lessons/{lesson}/here/{window}', [PresenceController::class, 'update'])->where('window', '[0-9a-zA-Z-]{8,40}');
    Route::delete('lessons/{lesson}/here/{window}', [PresenceController::class, 'leave'])->where('window', '[0-9a-zA-Z-]{8,40}');
});
Route::get('paired-devices', [PairedDeviceController::class, 'index']);
Route::post('paired-devices/code', [PairedDeviceController::class, 'code']);
Route::delete('paired-devices/{paired_device}', [PairedDeviceController::class, 'destroy']);
Route::post('pairings/{pairing}/accept', [PairedDeviceController::class, 'accept']);
Route::post('pairings/{pairing}/refuse', [PairedDeviceController::class, 'refuse']);
Route::group(['right' => 'record'], function (): void {
    Route::put('lessons/{lesson}/room', [PairedDeviceController::class, 'show']);
    Route::delete('lessons/{lesson}/room', [PairedDeviceController::class, 'close']);
});
Route::get('notices', [NoticeController::class, 'index']);
Route::post('notices/read', [NoticeController::class, 'read']);
Route::get('lessons/{lesson}/history', [HistoryController::class, 'ofLesson']);
Route::get('lessons/{lesson}/history.jsonl', [HistoryController::class, 'fileOfLesson']);
Route::get('courses/{course}/history', [HistoryController::class, 'ofCourse']);
Route::get('courses/{course}/history.jsonl', [HistoryController::class, 'fileOfCourse']);
Route::get('lessons/{lesson}/glance', [LessonController::class, 'glance']);
Route::get('lessons/{lesson}/assembly', [LessonController::class, 'assembly']);
Route::get('draft-voices/{key}', [LessonController::class, 'draftVoice']);
Route::put('lessons/{lesson}/verdicts', [TakeController::class, 'undo']);
Route::put('lessons/{lesson}/choices', [LessonController::class, 'choose']);
Route::put('lessons/{lesson}/order', [LessonController::class, 'order']);

Route::post('lessons/{lesson}/sections', [SectionController::class, 'store']);
Route::patch('sections/{section}', [SectionController::class, 'update']);
Route::delete('sections/{section}', [SectionController::class, 'destroy']);
Route::post('sections/{section}/restore', [SectionController::class, 'restore'])->withTrashed();
Route::get('sections/{section}/picture', [SectionController::class, 'picture']);
Route::get('sections/{section}/continuity', [SectionController::class, 'continuity']);
Route::get('sections/{section}/stand-in-voice', [StandInController::class, 'voice']);

Route::get('lessons/{lesson}/script', [ScriptController::class, 'show']);
Route::put('lessons/{lesson}/script', [ScriptController::class, 'update']);
Route::get('lessons/{lesson}/script/file', [ScriptController::class, 'file']);
Route::get('lessons/{lesson}/script/ready', [ScriptController::class, 'ready']);
Route::get('lessons/{lesson}/script/ties', [ScriptController::class, 'ties']);
Route::get('lessons/{lesson}/cues', [CueController::class, 'index']);
Route::post('sections/{section}/cues', [CueController::class, 'store']);
Route::put('sections/{section}/cues/{number}', [CueController::class, 'update'])->where('number', '[0-9]{1,4}');
Route::post('read-script', [ScriptController::class, 'read']);

Route::get('lessons/{lesson}/music', [MusicController::class, 'index']);
Route::post('lessons/{lesson}/music', [MusicController::class, 'store']);
Route::delete('music/{music}', [MusicController::class, 'destroy']);
Route::post('music/{music}/restore', [MusicController::class, 'restore'])->withTrashed();
Route::get('music/{hash}', [MusicController::class, 'file'])->where('hash', '[0-9a-f]{64}');

// Everything that was ever recorded, also what was set aside.
Route::group(['right' => 'write'], function (): void {
    Route::get('lessons/{lesson}/archive.zip', [ArchiveController::class, 'lesson']);
    Route::get('courses/{course}/archive.zip', [ArchiveController::class, 'course']);
});
Route::get('archives', [ArchiveController::class, 'index']);
Route::post('archives', [ArchiveController::class, 'store']);
Route::get('archives/{arrival}', [ArchiveController::class, 'show']);
Route::put('archives/{arrival}/chunks/{number}', [ArchiveController::class, 'append'])->where('number', '[0-9]{1,9}');
Route::post('archives/{arrival}/finish', [ArchiveController::class, 'finish']);
Route::post('archives/{arrival}/cancel', [ArchiveController::class, 'cancel']);

Route::apiResource('courses', CourseController::class)->only(['index', 'store', 'show']);
Route::group(['right' => 'own'], function (): void {
    Route::delete('courses/{course}', [CourseController::class, 'destroy']);
    Route::post('courses/{course}/restore', [CourseController::class, 'restore'])->withTrashed();
});
Route::group(['right' => 'publish'], function (): void {
    Route::match(['put', 'patch'], 'courses/{course}', [CourseController::class, 'update']);
    Route::post('courses/{course}/page', [CourseController::class, 'page']);
    Route::post('courses/{course}/logos', [CourseController::class, 'addLogo']);
});
Route::get('logos/{hash}', [CourseController::class, 'logo']);
Route::get('sample-picture', [CourseController::class, 'samplePicture']);
Route::get('sample-card', [CourseController::class, 'sampleCard']);
Route::get('cards/{hash}', [CourseController::class, 'card']);
Route::get('lessons/{lesson}/style', [LessonStyleController::class, 'show']);
Route::patch('lessons/{lesson}/style', [LessonStyleController::class, 'update']);

Route::get('lessons/{lesson}/slides', [SlideController::class, 'index']);
Route::post('lessons/{lesson}/slides', [SlideController::class, 'store']);
Route::patch('slides/{slide}', [SlideController::class, 'update']);
Route::delete('slides/{slide}', [SlideController::class, 'destroy']);
Route::post('slides/{slide}/restore', [SlideController::class, 'restore'])->withTrashed();
Route::post('slides/{slide}/picture', [SlideController::class, 'replace']);
Route::get('lessons/{lesson}/decks', [DeckController::class, 'index']);
Route::post('decks/{deck}/cancel', [DeckController::class, 'cancel']);
Route::post('decks/{deck}/undo', [DeckController::class, 'undo']);
Route::get('slides/{slide}/picture', [SlideController::class, 'picture']);
Route::get('slides/{slide}/film', [SlideController::class, 'film']);

Route::group(['right' => 'record'], function (): void {
    Route::post('sections/{section}/takes', [TakeController::class, 'store']);
});
Route::get('sections/{section}/takes', [SectionController::class, 'takes']);
Route::post('sections/{section}/takes/copy', [TakeController::class, 'copy']);
Route::get('takes/{take}', [TakeController::class, 'show']);
Route::patch('takes/{take}', [TakeController::class, 'update']);
Route::group(['right' => 'record'], function (): void {
    Route::delete('takes/{take}', [TakeController::class, 'destroy']);
    Route::put('takes/{take}/events/{number}', [TakeController::class, 'events'])->where('number', '[0-9]{1,9}');
    Route::post('takes/{take}/finish', [TakeController::class, 'finish']);
});
Route::post('takes/{take}/read-again', [TakeController::class, 'readAgain']);
Route::get('takes/{take}/match', [TakeController::class, 'match']);
Route::get('takes/{take}/media', [TakeController::class, 'media']);
Route::get('takes/{take}/tracks/{kind}', [TakeController::class, 'track']);
Route::get('takes/{take}/poster', [TakeController::class, 'poster']);
Route::get('takes/{take}/heard', [TakeController::class, 'heard']);
Route::get('takes/{take}/cleaned', [TakeController::class, 'cleaned']);
Route::get('takes/{take}/cleaned/sound', [TakeController::class, 'cleanedSound']);
Route::get('takes/{take}/wave', [TakeController::class, 'wave']);
Route::group(['right' => 'record'], function (): void {
    Route::put('tracks/{track}/chunks/{number}', [TrackController::class, 'append'])->where('number', '[0-9]{1,9}');
});

Route::get('lessons/{lesson}/exports', [ExportController::class, 'index']);
Route::post('lessons/{lesson}/exports', [ExportController::class, 'store']);
Route::get('lessons/{lesson}/exports/usual', [ExportController::class, 'usual']);
Route::get('lessons/{lesson}/exports/expected', [ExportController::class, 'expected']);
Route::get('lessons/{lesson}/captions', [CaptionController::class, 'index']);
Route::put('lessons/{lesson}/translations/{language}', [TranslationController::class, 'update']);
Route::put('lessons/{lesson}/translations/{language}/all', [TranslationController::class, 'undo']);
Route::post('lessons/{lesson}/translations/{language}/file', [TranslationController::class, 'bringIn']);
Route::post('lessons/{lesson}/captions/undo', [CaptionController::class, 'undo']);
Route::put('sections/{section}/captions', [CaptionController::class, 'check']);
Route::put('sections/{section}/captions/{number}', [CaptionController::class, 'update'])->where('number', '[0-9]{1,4}');
Route::post('sections/{section}/captions/{number}/move', [CaptionController::class, 'move'])->where('number', '[0-9]{1,4}');
Route::get('lessons/{lesson}/delivery', [DeliveryController::class, 'show']);
Route::group(['right' => 'publish'], function (): void {
    Route::post('lessons/{lesson}/delivery', [DeliveryController::class, 'store']);
    Route::post('deliveries/{delivery}/cancel', [DeliveryController::class, 'cancel']);
});
Route::get('exports/{export}', [ExportController::class, 'show']);
Route::get('exports/{export}/since', [ExportController::class, 'since']);
Route::post('exports/{export}/cancel', [ExportController::class, 'cancel']);
Route::get('lessons/{lesson}/handout.pdf', [ExportController::class, 'handout']);
Route::get('lessons/{lesson}/edit.zip', [ExportController::class, 'packEdit']);
Route::get('exports/{export}/{kind}.zip', [ExportController::class, 'pack'])->whereIn('kind', ['all', 'scorm', 'cmi5']);
Route::put('exports/{export}/thumbnail', [ExportController::class, 'thumbnail']);
Route::get('exports/{export}/file', [ExportController::class, 'file']);
Route::get('exports/{export}/beside/{kind}', [ExportController::class, 'beside'])
    ->whereIn('kind', array_keys(SidecarFile::kinds()));

Route::get('search', SearchController::class);
Route::get('storage', [StorageController::class, 'index']);
Route::delete('storage/cache', [StorageController::class, 'emptyCache']);
Route::group(['right' => 'own'], function (): void {
    Route::post('lessons/{lesson}/cleared-takes', [StorageController::class, 'clear']);
    Route::post('lessons/{lesson}/cleared-takes/restore', [StorageController::class, 'bringBack']);
    Route::delete('lessons/{lesson}/older-films', [StorageController::class, 'deleteOlderFilms']);
    Route::delete('lessons/{lesson}/for-good', [StorageController::class, 'deleteLesson'])->withTrashed();
});

Route::get('lessons/{lesson}/publication', [PublicationController::class, 'show']);
Route::post('lessons/{lesson}/held-comments', [PublicationController::class, 'settleHeld']);
Route::group(['right' => 'publish'], function (): void {
    Route::post('lessons/{lesson}/publication', [PublicationController::class, 'store']);
    Route::patch('lessons/{lesson}/publication', [PublicationController::class, 'update']);
});
Route::group(['right' => 'comment'], function (): void {
    Route::patch('comments/{comment}', [PublicationController::class, 'mark']);
    Route::post('comments/{comment}/answers', [PublicationController::class, 'reply']);
});

Route::fallback(fn () => abort(404));
