<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\People\AddPerson;
use App\Actions\People\RemovePerson;
use App\Models\Membership;
use App\Models\User;
use App\OperationRejected;
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
        {--name= : what somebody new is called}
        {--to= : who owns what somebody leaves}';

    protected $description = 'Say who may sign in';

    public function handle(AddPerson $add, RemovePerson $remove): int
    {
        return $this->plainly(function () use ($add, $remove): int {
            /** @var string $what */
            $what = $this->argument('what');
            $email = mb_strtolower(trim((string) $this->input->getArgument('email')));
            match ($what) {
                'add' => $this->add($email, trim((string) $this->input->getOption('name')), $add),
                'list' => $this->list(),
                'reset' => $this->reset(self::known($email)),
                'remove' => $this->remove(self::known($email), $remove),
                default => throw OperationRejected::badInput('Say add, list, reset or remove.'),
            };

            return self::SUCCESS;
        });
    }

    private function add(string $email, string $name, AddPerson $add): void
    {
        $password = Str::random(self::LENGTH);
        $user = $add($email, $name, $password);
        $this->line("{$user->email} may sign in with the password {$password}");
        $owns = Membership::query()->where('user_id', $user->id)->count();
        if ($owns > 0) {
            $this->line("What was made here before, {$owns} lessons and courses, belongs to {$user->name} now.");
        }
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
        $user->forceFill([
            'password' => $password, 'code_secret' => null, 'code_step' => 0, 'spare_codes' => null,
        ])->save();
        $user->devices()->delete();
        $this->line("{$user->email} may sign in with the password {$password}, and is signed out everywhere.");
    }

    private function remove(User $user, RemovePerson $remove): void
    {
        $to = mb_strtolower(trim((string) $this->input->getOption('to')));
        $handed = $remove($user, $to === '' ? null : self::known($to));
        $this->line("{$user->email} may not sign in any more. What they made stays.");
        if ($handed > 0) {
            $this->line("{$handed} lessons and courses have another owner.");
        }
    }

    private static function known(string $email): User
    {
        return User::query()->where('email', $email)->first() ?? throw OperationRejected::badInput("Nobody signs in as {$email}.");
    }
}
