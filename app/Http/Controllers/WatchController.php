<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Site\CountWatched;
use App\Actions\Site\PostComment;
use App\Http\MediaResponse;
use App\Http\Peer;
use App\Http\Requests\CommentRequest;
use App\Http\Requests\WatchedRequest;
use App\Http\Resources\CommentResource;
use App\Models\Course;
use App\Models\Export;
use App\Models\Publication;
use App\People\OwnAddress;
use App\People\Tries;
use App\Queries\Film\FilmTranscript;
use App\Queries\Film\SidecarFile;
use App\Queries\Lessons\LessonStyle;
use App\Queries\Publishing\CourseFilms;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Hash;
use OpenReel\Core\Captions\CaptionLanguage;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** The pages of the course site: what a viewer sees who has the link, and nobody else. */
final class WatchController
{
    private const POLICY =
        "default-src 'self'; script-src 'self'; object-src 'none'; img-src 'self' data:; style-src 'self'; ".
        "form-action 'self'; base-uri 'none'; frame-ancestors ";

    /** So much may be said from one address in a minute, and so often a password be tried. */
    private const A_MINUTE = 6;

    /** From wherever: tries, and seconds. */
    private const TRIES_OF_FILM = [200, 3600];

    /** A school may watch from one address. */
    private const COUNTS_A_MINUTE = 120;

    /** What of the files beside a film its page shows. */
    private const FILES = ['captions.vtt', 'chapters.vtt', SidecarFile::THUMBNAIL];

    /** @return list<string> */
    public static function files(): array
    {
        return [...self::FILES, ...array_map(CaptionLanguage::file(...), array_keys(CaptionLanguage::NAMES))];
    }

    public function __construct(private readonly FilmTranscript $said)
    {
    }

    public function show(Request $request, string $token): AnyResponse
    {
        return $this->page($request, $token, 'site.watch');
    }

    /** The films of a course that can be watched now. */
    public function course(string $token, CourseFilms $films): AnyResponse
    {
        $course = Course::query()->where('token', $token)->first();

        return $course === null
            ? $this->answer(response()->view('site.gone', [], 404))
            : $this->answer(response()->view('site.course', ['course' => $course->name, 'films' => $films->of($course)]));
    }

    /** For a frame in another page: the film alone. */
    public function embed(Request $request, string $token): AnyResponse
    {
        return $this->page($request, $token, 'site.embed', '*');
    }

    /** A browser that says the password is let in for as long as it is the password. */
    public function open(Request $request, string $token): AnyResponse
    {
        $publication = self::publication($token);
        $own = "film/{$publication->id}/".Peer::network($request);
        if (! Tries::may($own, self::A_MINUTE)) {
            return $this->asksPassword($publication, 'Too many tries. Wait a minute, then try again.', 429);
        }
        if (! Tries::may("film-of/{$publication->id}", ...self::TRIES_OF_FILM)) {
            return $this->asksPassword($publication, 'This password was tried too often today. Try again later.', 429);
        }
        if ($publication->password === null || ! Hash::check($request->string('password')->value(), $publication->password)) {
            return $this->asksPassword($publication, 'That is not the password.', 422);
        }
        Tries::forget($own);
        $cookie = Cookie::create(self::cookie($publication), $publication->pass())
            ->withPath("/watch/{$token}")
            ->withSameSite('lax')
            ->withSecure($request->isSecure());

        return redirect("/watch/{$token}")->withCookie($cookie);
    }

    public function film(Request $request, string $token): AnyResponse
    {
        $export = $this->export($request, $token);

        return MediaResponse::of($export->path, $export->edition()->format->mime());
    }

    public function file(Request $request, string $token, string $kind): AnyResponse
    {
        $export = $this->export($request, $token);
        abort_unless(in_array($kind, $export->beside ?? [], true), 404);

        return MediaResponse::of(
            SidecarFile::path($export, $kind),
            SidecarFile::mime($kind),
            unchanging: false,
        );
    }

    public function comments(Request $request, string $token): JsonResponse
    {
        return new JsonResponse(CommentResource::forViewers($this->allowed($request, $token)->comments()->get()));
    }

    public function comment(CommentRequest $request, string $token, PostComment $say): JsonResponse
    {
        $publication = $this->allowed($request, $token);
        abort_unless(
            Tries::may('comment/'.Peer::network($request), self::A_MINUTE),
            429,
            'That was a lot in one minute. Wait a moment; what you wrote is still here.',
        );
        $said = $say(
            $publication,
            trim($request->string('name')->value()),
            trim($request->string('text')->value()),
            $request->integer('at_ms'),
            $request->input('answers') === null ? null : $request->string('answers')->value(),
        );

        // Whoever said it sees it all the same, once.
        $held = $said->held_at === null ? [] : [CommentResource::held($said)];
        $shown = CommentResource::forViewers($publication->comments()->get());

        return new JsonResponse([...$shown, ...$held], 201);
    }

    /** Which parts somebody has seen: counted, and nothing else. */
    public function watched(WatchedRequest $request, string $token, CountWatched $count): AnyResponse
    {
        $publication = $this->allowed($request, $token);
        if (Tries::may('count/'.Peer::network($request), self::COUNTS_A_MINUTE)) {
            $count($publication->current(), array_map(intval(...), array_values($request->array('parts'))));
        }

        return response()->noContent();
    }

    /** oEmbed 1.0: how other pages learn to show the film. */
    public function oembed(Request $request): JsonResponse
    {
        preg_match('#/watch/([A-Za-z0-9]{24})\b#', $request->string('url')->value(), $match);
        $publication = self::publication($match[1] ?? '');
        abort_if($publication->password !== null, 401, 'This film asks for a password.');
        $lesson = $publication->lesson;
        [$width, $height] = [960, (int) round(960 * $lesson->height / $lesson->width)];
        $address = OwnAddress::of("/watch/{$publication->token}/embed");

        return new JsonResponse([
            'version' => '1.0', 'type' => 'video', 'title' => $lesson->title, 'provider_name' => 'Open Reel',
            'width' => $width, 'height' => $height,
            'html' => "<iframe src=\"{$address}\" width=\"{$width}\" height=\"{$height}\" allowfullscreen></iframe>",
        ]);
    }

    private function page(Request $request, string $token, string $view, string $frames = "'none'"): AnyResponse
    {
        $publication = self::shown($token);
        if ($publication === null) {
            return $this->answer(response()->view('site.gone', [], 404));
        }
        if (! self::knowsPassword($request, $publication)) {
            return $this->asksPassword($publication);
        }
        $version = $publication->current();
        $said = $this->said->of($version->export);

        return $this->answer(response()->view($view, [
            'lesson' => $publication->lesson,
            'course' => $publication->lesson->course?->name,
            'base' => "/watch/{$token}",
            'version' => $version,
            'for_review' => $publication->for_review,
            'beside' => $version->export->beside ?? [],
            'language' => LessonStyle::of($publication->lesson)->language->value,
            'languages' => CaptionLanguage::NAMES,
            'chapters' => $said['chapters'],
            'lines' => $said['lines'],
            'comments' => CommentResource::forViewers($publication->comments()->get()),
        ]), $frames);
    }

    private function asksPassword(Publication $publication, ?string $problem = null, int $status = 200): AnyResponse
    {
        return $this->answer(response()->view('site.password', [
            'title' => $publication->lesson->title, 'base' => "/watch/{$publication->token}", 'problem' => $problem,
        ], $status));
    }

    private function answer(Response $response, string $frames = "'none'"): AnyResponse
    {
        return $response->header('Content-Security-Policy', self::POLICY.$frames)->header('Cache-Control', 'no-store');
    }

    private function export(Request $request, string $token): Export
    {
        return $this->allowed($request, $token)->current()->export;
    }

    /** Whose film it is, for those who may see it; for all others it is not there. */
    private function allowed(Request $request, string $token): Publication
    {
        $publication = self::publication($token);
        abort_unless(self::knowsPassword($request, $publication), 404);

        return $publication;
    }

    private static function publication(string $token): Publication
    {
        return self::shown($token) ?? abort(404, 'There is no film behind this address.');
    }

    private static function shown(string $token): ?Publication
    {
        $found = Publication::query()->where('token', $token)->first();

        return $found !== null && $found->isShown() && $found->lesson()->exists() ? $found : null;
    }

    private static function knowsPassword(Request $request, Publication $publication): bool
    {
        // A draft that only those see who have signed in and take part has no need of one.
        return $publication->password === null || ($publication->for_review && ! $publication->open_to_links) ||
            hash_equals($publication->pass(), (string) $request->cookies->get(self::cookie($publication)));
    }

    private static function cookie(Publication $publication): string
    {
        return "watch-{$publication->id}";
    }
}
