<?php

declare(strict_types=1);

namespace App\Bench;

use App\Actions\Lessons\ListLessons;
use App\Actions\Lessons\MakeLesson;
use App\Actions\Script\SaveScript;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\User;
use App\People\Presences;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;
use OpenReel\Core\People\Role;
use OpenReel\Core\Script\Script;
use OpenReel\Core\Script\SectionText;

/** A school of a thousand lessons and a hundred people who take part in ten each, all of them here at once. */
final class SchoolBench implements Bench
{
    private const LESSONS = 1_000;

    private const PEOPLE = 100;

    private const ROUNDS = 15;

    public function __construct(
        private readonly MakeLesson $make,
        private readonly SaveScript $save,
        private readonly ListLessons $list,
    ) {
    }

    public function figures(string $folder, callable $wanted): iterable
    {
        if (! $wanted('school_shelf_ms') && ! $wanted('school_here_ms')) {
            return;
        }
        config(['reel.mode' => 'people']);
        $people = array_map(fn (int $n): User => User::query()->create([
            'name' => "Rower {$n}", 'email' => "rower{$n}@saltmarsh.example", 'password' => 'x',
        ]), range(1, self::PEOPLE));
        foreach (range(1, self::LESSONS) as $n) {
            $owner = $people[$n % self::PEOPLE];
            Auth::setUser($owner);
            $parts = array_map(
                fn (int $m): SectionText => new SectionText("Part {$m}", 'The water falls slowly. Then it falls fast.'),
                [1, 2, 3],
            );
            ($this->save)(($this->make)("Lesson {$n}"), Script::compose("Lesson {$n}", $parts));
        }
        yield 'school_shelf_ms' => [$this->middle(function () use ($people): void {
            Auth::setUser($people[0]);
            ($this->list)();
        }), ''];
        $lessons = Lesson::query()->limit(self::PEOPLE)->get();
        foreach ($lessons as $lesson) {
            Membership::query()->firstOrCreate(
                ['lesson_id' => $lesson->id, 'user_id' => $people[1]->id], ['role' => Role::Editor],
            );
        }
        yield 'school_shelf_of_hundred_ms' => [$this->middle(function () use ($people): void {
            Auth::setUser($people[1]);
            ($this->list)();
        }), ''];
        // Each in a lesson of their own, and all of them in one.
        $windows = array_map(fn (): string => Str::random(24), $people);
        yield 'school_here_ms' => [$this->middle(function () use ($people, $lessons, $windows): void {
            foreach ($people as $n => $one) {
                Presences::note($lessons[0]->id, $windows[$n], $one, 'script', null, false);
                Presences::others($lessons[0]->id, $windows[$n], $one);
            }
        }, self::PEOPLE), ''];
    }

    /** @return float milliseconds, the middle of some rounds, for each of so many that are done in one */
    private function middle(callable $do, int $each = 1): float
    {
        $times = array_map(function () use ($do): float {
            $start = hrtime(true);
            $do();

            return (hrtime(true) - $start) / 1e6;
        }, range(1, self::ROUNDS));
        sort($times);

        return round($times[intdiv(self::ROUNDS, 2)] / $each, 2);
    }
}
