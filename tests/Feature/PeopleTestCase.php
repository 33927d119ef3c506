<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Course;
use App\Models\Device;
use App\Models\Lesson;
use App\Models\Membership;
use App\Models\User;
use App\People\Devices;
use Illuminate\Support\Facades\Context;
use OpenReel\Core\People\Role;

/** Where people sign in. */
abstract class PeopleTestCase extends FeatureTestCase
{
    protected const PASSWORD = 'low water at noon';

    protected function setUp(): void
    {
        parent::setUp();
        config(['reel.mode' => 'people', 'session.driver' => 'array', 'mail.default' => 'array']);
        // As strong as it has to be only where that is what is tried.
        config(['hashing.argon.memory' => 1024, 'hashing.argon.time' => 1]);
        $this->app['hash']->forgetDrivers();
        $this->withoutVite();
    }

    protected function person(string $name): User
    {
        return User::query()->create([
            'name' => $name, 'email' => strtolower($name).'@saltmarsh.example', 'password' => self::PASSWORD,
        ]);
    }

    /** Whoever asks from now on; null for a browser in which nobody has signed in. */
    protected function as(?User $person): static
    {
        $this->app['auth']->forgetGuards();
        Context::flush();
        $this->app['session']->flush();
        if ($person !== null) {
            $this->actingAs($person)->withSession([Devices::KEY => $this->deviceOf($person)->id]);
        }

        return $this;
    }

    /** Requests come from this address from now on. */
    protected function at(string $address): static
    {
        return $this->withServerVariables(['REMOTE_ADDR' => $address, 'HTTP_X_OPEN_REEL' => '1']);
    }

    protected function deviceOf(User $person): Device
    {
        return Device::query()->updateOrCreate(
            ['user_id' => $person->id, 'name' => 'Of the test'], ['mark' => $person->mark(), 'used_at' => now()],
        );
    }

    protected function lessonOf(User $owner): Lesson
    {
        $this->as($owner);

        return Lesson::factory()->create(['width' => 320, 'height' => 180]);
    }

    protected function roleIn(Lesson|Course $place, User $person): ?Role
    {
        return Membership::query()
            ->where($place instanceof Course ? 'course_id' : 'lesson_id', $place->id)
            ->firstWhere('user_id', $person->id)
            ?->role;
    }
}
