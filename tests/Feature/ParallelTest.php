<?php

declare(strict_types=1);

namespace Tests\Feature;

/** Several windows, recorders and workers write at the same time. */
final class ParallelTest extends FeatureTestCase
{
    private Processes $processes;

    protected function setUp(): void
    {
        parent::setUp();
        $this->processes = Processes::begin();
    }

    protected function tearDown(): void
    {
        $this->processes->end();
        parent::tearDown();
    }

    public function test_of_twenty_who_come_by_one_invitation_at_once_one_comes_in(): void
    {
        [, $lesson] = $this->processes->call('POST', 'lessons', ['title' => 'At once']);
        $this->processes->each(1, <<<PHP
            \$owner = App\Models\User::query()->create(['name' => 'W', 'email' => 'w@saltmarsh.example', 'password' => 'x']);
            return App\Models\Invitation::query()->create([
                'token_hash' => hash('sha256', 'once'), 'lesson_id' => '{$lesson['id']}', 'invited_by' => \$owner->id,
                'role' => 'reviewer', 'ends_at' => now()->addDay(),
            ])->id;
        PHP);
        $made = $this->processes->each(20, <<<'PHP'
            config(['reel.mode' => 'people']);
            $invitation = App\Actions\People\Invite::find('once');
            if ($invitation === null) {
                return 'late';
            }
            try {
                app(App\Actions\People\AcceptInvitation::class)($invitation, fn () => app(App\Actions\People\AddPerson::class)(
                    "p{$me}@saltmarsh.example", "P {$me}", 'high water at six',
                ));
                return 'in';
            } catch (App\OperationRejected) {
                return 'out';
            }
        PHP);
        self::assertSame(1, count(array_keys($made, 'in', true)), (string) json_encode($made));
        self::assertSame([], array_diff($made, ['in', 'out', 'late']));
        $count = 'return [App\Models\User::query()->count(), App\Models\Membership::query()->count()];';
        self::assertSame([[2, 1]], $this->processes->each(1, $count));
    }

    public function test_of_a_thousand_writes_at_once_none_fails(): void
    {
        [, $lesson] = $this->processes->call('POST', 'lessons', ['title' => 'At once']);
        $section = $lesson['sections'][0]['id'];
        $statuses = $this->processes->each(
            10,
            <<<PHP
                \$statuses = [];
                \$note = function (array \$answer) use (&\$statuses) {
                    \$statuses[\$answer[0]] = (\$statuses[\$answer[0]] ?? 0) + 1;
                    return \$answer[1];
                };
                for (\$i = 0; \$i < 20; \$i++) {
                    \$tracks = [['kind' => 'camera', 'mime' => 'video/webm']];
                    \$take = \$note(\$call('POST', 'sections/{$section}/takes', ['tracks' => \$tracks]));
                    \$chunk = "chunk \$me \$i";
                    \$headers = ['HTTP_X_CHUNK_SHA256' => hash('sha256', \$chunk), 'CONTENT_TYPE' => 'application/octet-stream'];
                    \$note(\$call('PUT', 'tracks/'.\$take['tracks'][0]['id'].'/chunks/0', \$chunk, \$headers));
                    \$note(\$call('PATCH', 'takes/'.\$take['id'], ['verdict' => 'discarded']));
                    \$script = \$note(\$call('GET', 'lessons/{$lesson['id']}/script'));
                    \$note(\$call('PUT', 'lessons/{$lesson['id']}/script', ['text' => "# At once\\n\\n## One\\n\\nWords \$me "
                        ."\$i.\\n", 'revision' => \$script['revision']]));
                }
                return \$statuses;
            PHP
            ,
        );

        $all = [];
        foreach ($statuses as $of) {
            foreach ($of as $status => $count) {
                $all[$status] = ($all[$status] ?? 0) + $count;
            }
        }
        $this->assertSame(1000, array_sum($all));
        $this->assertSame(
            0,
            array_sum(array_filter($all, fn (int $status): bool => $status >= 500, ARRAY_FILTER_USE_KEY)),
            (string) json_encode($all),
        );
        [, $after] = $this->processes->call('GET', "sections/{$lesson['sections'][0]['id']}/takes");
        // Every take has a number of its own.
        $this->assertSame(range(1, 200), array_column($after, 'number'));
    }
}
