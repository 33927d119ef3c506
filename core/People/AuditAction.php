<?php

declare(strict_types=1);

namespace OpenReel\Core\People;

/** What is written into the history of a lesson or course: what one may have to answer for later. */
enum AuditAction: string
{
    case Created = 'created';
    case BroughtIn = 'brought-in';
    case Recorded = 'recorded';
    case Kept = 'kept';
    case Discarded = 'discarded';
    case PutBack = 'put-back';
    case VerdictUndone = 'verdict-undone';
    case Exported = 'exported';
    case Published = 'published';
    case Withdrawn = 'withdrawn';
    case ShownAgain = 'shown-again';
    case LinkRenewed = 'link-renewed';
    case DraftOpened = 'draft-opened';
    case DraftClosed = 'draft-closed';
    case Delivered = 'delivered';
    case Deleted = 'deleted';
    case Restored = 'restored';
    case DeletedForGood = 'deleted-for-good';
    case TakesCleared = 'takes-cleared';
    case TakesBrought = 'takes-brought-back';
    case FilmsDeleted = 'films-deleted';
    case SentForReview = 'sent-for-review';
    case Approved = 'approved';
    case ApprovalTakenBack = 'approval-taken-back';
    case Invited = 'invited';
    case Joined = 'joined';
    case RoleGiven = 'role-given';
    case Removed = 'removed';
    case Left = 'left';

    /**
     * What somebody did, as the rest of a sentence that begins with their name.
     *
     * @param  array<string, string|int>  $about  what it was done to: `take` number, `section` heading, `version`, `file`,
     *    `person`, `role`, `count`, `title`; what is not known is left out
     */
    public function message(array $about): string
    {
        $take = self::named('take', (string) ($about['take'] ?? '')).self::in($about);
        $file = self::quoted($about, 'file', 'the film');
        $title = self::quoted($about, 'title', 'it');
        $version = self::named('version', (string) ($about['version'] ?? ''));
        $person = (string) ($about['person'] ?? 'somebody');
        $role = match (Role::tryFrom((string) ($about['role'] ?? ''))) {
            Role::Owner => 'an owner',
            Role::Editor => 'an editor',
            Role::Presenter => 'a presenter',
            Role::Reviewer => 'a reviewer',
            null => '',
        };
        $as = $role === '' ? '' : " as {$role}";
        $count = (int) ($about['count'] ?? 0);

        return match ($this) {
            self::Created => "created {$title}",
            self::BroughtIn => "brought in {$title} from an archive",
            self::Recorded => "recorded {$take}",
            self::Kept => "kept {$take}",
            self::Discarded => "discarded {$take}",
            self::PutBack => "put {$take} back to undecided",
            self::VerdictUndone => 'took back a verdict',
            self::Exported => "exported {$file}",
            self::Published => "published {$version}",
            self::Withdrawn => 'withdrew the film from the course site',
            self::ShownAgain => 'showed the film on the course site again',
            self::LinkRenewed => 'gave the page on the course site a new link',
            self::DraftOpened => 'opened the draft to whoever has its link',
            self::DraftClosed => 'closed the draft to all who do not take part',
            self::Delivered => "sent {$file} to the site",
            self::Deleted => "took {$title} off the shelf",
            self::Restored => "put {$title} back on the shelf",
            self::DeletedForGood => "deleted {$title} for good",
            self::TakesCleared => 'cleared '.self::some($count, 'discarded take'),
            self::TakesBrought => 'brought back '.self::some($count, 'cleared take'),
            self::FilmsDeleted => 'deleted '.self::some($count, 'older film'),
            self::SentForReview => "made {$version} of the draft for review",
            self::Approved => "approved {$version} of the draft",
            self::ApprovalTakenBack => 'took back an approval',
            self::Invited => 'made an invitation'.($role === '' ? '' : " for {$role}"),
            self::Joined => "joined{$as}",
            self::RoleGiven => $role === '' ? "gave {$person} another role" : "made {$person} {$role}",
            self::Removed => "removed {$person}",
            self::Left => 'left',
        };
    }

    private static function named(string $what, string $number): string
    {
        return $number === '' ? "a {$what}" : "{$what} {$number}";
    }

    /** @param  array<string, string|int>  $about */
    private static function in(array $about): string
    {
        return self::quoted($about, 'section', '') === '' ? '' : ' of '.self::quoted($about, 'section', '');
    }

    /** @param  array<string, string|int>  $about */
    private static function quoted(array $about, string $key, string $else): string
    {
        $said = (string) ($about[$key] ?? '');

        return $said === '' ? $else : "\u{201C}{$said}\u{201D}";
    }

    private static function some(int $count, string $what): string
    {
        return "{$count} {$what}".($count === 1 ? '' : 's');
    }
}
