<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use App\Refusal;
use Illuminate\Console\Command;
use Illuminate\Support\Str;

/** Who may sign in where people do (REEL_MODE=people). */
final class UserCommand extends Command
{
    use SpeaksPlainly;

    private const LENGTH = 16;

    protected $signature = 'reel:user
        {what : add, list, reset or remove}
        {email? : whose}
        {--name= : what somebody new is called}';

    protected $description = 'Say who may sign in';

    public function handle(): int
    {
        return $this->plainly(function (): int {
            /** @var string $what */
            $what = $this->argument('what');
            $email = mb_strtolower(trim((string) $this->input->getArgument('email')));
            match ($what) {
                'add' => $this->add($email, trim((string) $this->input->getOption('name'))),
                'list' => $this->list(),
                'reset' => $this->reset(self::known($email)),
                'remove' => $this->remove(self::known($email)),
                default => throw Refusal::badInput('Say add, list, reset or remove.'),
            };

            return self::SUCCESS;
        });
    }

    private function add(string $email, string $name): void
    {
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            throw Refusal::badInput('Say the e-mail address of who is to sign in.');
        }
        if (User::query()->where('email', $email)->exists()) {
            throw Refusal::conflict("{$email} may sign in already. Another password: reel user reset {$email}");
        }
        $password = Str::random(self::LENGTH);
        $called = $name === '' ? Str::before($email, '@') : $name;
        User::query()->create(['email' => $email, 'name' => $called, 'password' => $password]);
        $this->line("{$email} may sign in with the password {$password}");
    }

    private function list(): void
    {
        foreach (User::query()->orderBy('email')->get() as $user) {
            $this->line("{$user->email}  {$user->name}");
        }
    }

    /** What is signed in somewhere with the password before ends. */
    private function reset(User $user): void
    {
        $password = Str::random(self::LENGTH);
        $user->forceFill(['password' => $password, 'remember_token' => null])->save();
        $this->line("{$user->email} may sign in with the password {$password}, and is signed out everywhere.");
    }

    private function remove(User $user): void
    {
        $user->delete();
        $this->line("{$user->email} may not sign in any more. What they made stays.");
    }

    private static function known(string $email): User
    {
        return User::query()->where('email', $email)->first() ?? throw Refusal::badInput("Nobody signs in as {$email}.");
    }
}
