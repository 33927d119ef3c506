<?php

declare(strict_types=1);

namespace Tests\Core\People;

use OpenReel\Core\People\AuditAction;
use OpenReel\Core\People\Permissions;
use OpenReel\Core\People\Right;
use OpenReel\Core\People\Role;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RoleTest extends TestCase
{
    public function test_what_each_role_allows(): void
    {
        $may = [];
        foreach (Role::cases() as $role) {
            $may[$role->value] = implode(' ', array_column(Permissions::of($role)->rights(), 'value'));
        }
        self::assertSame([
            'owner' => 'see comment write record publish own',
            'presenter' => 'see comment write record',
            'editor' => 'see comment write publish',
            'reviewer' => 'see comment',
        ], $may);
    }

    public function test_roles_add_up(): void
    {
        $both = Permissions::of(Role::Editor, Role::Presenter, Role::Editor);
        self::assertCount(2, $both->roles);
        self::assertTrue($both->may(Right::Record));
        self::assertTrue($both->may(Right::Publish));
        self::assertFalse($both->may(Right::Own));
        self::assertFalse($both->isStranger());
    }

    public function test_a_stranger_may_nothing_and_whoever_is_alone_everything(): void
    {
        self::assertTrue(Permissions::of()->isStranger());
        self::assertSame([], Permissions::of()->rights());
        self::assertSame(Right::cases(), Permissions::alone()->rights());
    }

    /** @return iterable<string, array{string, AuditAction, array<string, string|int>}> */
    public static function deeds(): iterable
    {
        yield 'a take' => ['kept take 3 of “The sill”', AuditAction::Kept, ['take' => 3, 'section' => 'The sill']];
        yield 'a section without heading' => ['discarded take 1', AuditAction::Discarded, ['take' => 1, 'section' => '']];
        yield 'a take nothing is known of' => ['recorded a take', AuditAction::Recorded, []];
        yield 'one thing' => ['cleared 1 discarded take', AuditAction::TakesCleared, ['count' => 1]];
        yield 'several' => ['deleted 4 older films', AuditAction::FilmsDeleted, ['count' => 4]];
        yield 'an owner' => ['made Piran an owner', AuditAction::RoleGiven, ['person' => 'Piran', 'role' => 'owner']];
        yield 'a reviewer' => ['made Piran a reviewer', AuditAction::RoleGiven, ['person' => 'Piran', 'role' => 'reviewer']];
        yield 'a role that is gone' => ['joined', AuditAction::Joined, ['role' => 'admiral']];
        yield 'an invitation' => ['made an invitation for a presenter', AuditAction::Invited, ['role' => 'presenter']];
        yield 'a version' => ['published version 2', AuditAction::Published, ['version' => 2]];
        yield 'quotes and right to left' => ['exported “"a" עברית.mp4”', AuditAction::Exported, ['file' => '"a" עברית.mp4']];
    }

    /** @param  array<string, string|int>  $about */
    #[DataProvider('deeds')]
    public function test_what_somebody_did_is_said_in_words(string $says, AuditAction $deed, array $about): void
    {
        self::assertSame($says, $deed->message($about));
    }

    public function test_every_deed_says_something_also_without_facts(): void
    {
        foreach (AuditAction::cases() as $deed) {
            self::assertMatchesRegularExpression('/^[a-z].*[^ ]$/u', $deed->message([]), $deed->value);
        }
    }
}
