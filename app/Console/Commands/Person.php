<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Desk\People\People;
use App\Models\Invitation;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Validation\ValidationException;

/** People who may come in. Passwords are never given on the command line, where every process can read them. */
final class Person extends Command
{
    protected $signature = 'awning:person {verb : add, password, disable, enable or list} {email? : whom it is about} {--name= : as others see it}
        {--password-from= : the environment variable that holds a password; without it a link is printed} {--any : list only says by its exit code whether anybody is there}';

    protected $description = 'Add people, let them choose a new password, keep them out, list them';

    public function handle(People $people): int
    {
        try {
            return match ($this->argument('verb')) {
                'add' => $this->add($people),
                'password' => $this->password($people),
                'disable' => $this->disable($people),
                'enable' => $this->enable(),
                'list' => $this->list(),
                default => $this->wrong('Say what to do: add, password, disable, enable or list.'),
            };
        } catch (ValidationException $error) {
            return $this->wrong($error->getMessage());
        }
    }

    private function add(People $people): int
    {
        $email = People::normal((string) $this->argument('email'));
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            return $this->wrong(
                'Give their e-mail address: ./awning person add somebody@studio.example --name "Their name"',
            );
        }
        $name = trim((string) $this->option('name'));
        $user = $people->add(
            $email,
            $name === '' ? (strstr($email, '@', true) ?: $email) : mb_substr($name, 0, 80),
            $this->given(),
        );
        $this->line("$user->name <$user->email> may come in.");

        return $this->given() === null ? $this->link($user) : self::SUCCESS;
    }

    private function password(People $people): int
    {
        $user = $this->whom();
        if ($user === null || $this->given() === null) {
            return $user === null ? self::FAILURE : $this->link($user);
        }
        $people->setPassword($user, $this->given());
        $this->line('The password is changed; whoever was signed in with the old one is signed out.');

        return self::SUCCESS;
    }

    private function disable(People $people): int
    {
        $user = $this->whom();
        if ($user === null) {
            return self::FAILURE;
        }
        $people->disable($user);
        $this->line("$user->name is signed out and cannot come in any more. What they made stays.");

        return self::SUCCESS;
    }

    private function enable(): int
    {
        $user = $this->whom();
        $user?->forceFill(['disabled_at' => null])->save();

        return $user === null ? self::FAILURE : self::SUCCESS;
    }

    private function list(): int
    {
        $people = User::query()->where('is_demo', false)->orderBy('email')->get();
        if ($this->option('any')) {
            return $people->isEmpty() ? self::FAILURE : self::SUCCESS;
        }
        $this->table(
            ['e-mail', 'name', ''],
            $people->map(
                fn (User $user): array => [$user->email, $user->name, $user->disabled_at === null ? '' : 'kept out'],
            ),
        );

        return self::SUCCESS;
    }

    private function link(User $user): int
    {
        $this->line('Give them this link; it works once, for '.Invitation::DAYS.' days:');
        $this->line(Invitation::link(Invitation::issue(['user_id' => $user->id])));

        return self::SUCCESS;
    }

    private function given(): ?string
    {
        $name = $this->option('password-from');
        $password = is_string($name) && $name !== '' ? getenv($name) : false;
        if ($password === false) {
            return null;
        }

        return mb_strlen($password) >= User::SHORTEST_PASSWORD
            ? $password
            : throw ValidationException::withMessages([
                'password' => 'A password has at least '.User::SHORTEST_PASSWORD.' characters.',
            ]);
    }

    private function whom(): ?User
    {
        $user = User::query()->where('email', People::normal((string) $this->argument('email')))->first();
        if ($user === null) {
            $this->wrong('Nobody with this address is here. ./awning person list shows who is.');
        }

        return $user;
    }

    private function wrong(string $why): int
    {
        $this->error($why);

        return self::FAILURE;
    }
}
