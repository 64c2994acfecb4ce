<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Desk\People\People;
use App\Http\Middleware\SmallBodies;
use App\Models\Invitation;
use App\Models\Member;
use App\Models\Role;
use App\Models\User;
use App\Providers\ShortLines;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Monolog\Level;
use Monolog\LogRecord;
use Tests\TestCase;

/** Who comes in, and what comes in with them. */
final class DoorTest extends TestCase
{
    use RefreshDatabase;

    private const PASSWORD = 'a password of Mira';

    public function test_people_are_added_listed_kept_out_and_let_in_again(): void
    {
        putenv('AWNING_TEST_PASSWORD='.self::PASSWORD);
        $this->artisan('awning:person', ['verb' => 'list', '--any' => true])->assertFailed();
        $this->artisan('awning:person', [
            'verb' => 'add',
            'email' => ' Mira@Studio.example ',
            '--name' => 'Mira',
            '--password-from' => 'AWNING_TEST_PASSWORD',
        ])->assertSuccessful();
        $this->artisan('awning:person', ['verb' => 'list', '--any' => true])->assertSuccessful();
        $this->artisan('awning:person', ['verb' => 'add', 'email' => 'mira@studio.example'])
            ->expectsOutputToContain('here already')
            ->assertFailed();
        $this->artisan('awning:person', ['verb' => 'add', 'email' => 'nobody'])->assertFailed();
        $this->postJson('/api/session', ['email' => 'MIRA@studio.example', 'password' => self::PASSWORD])->assertOk();
        $mira = User::query()->sole();
        $this->getJson('/api/series')->assertOk();
        $this->artisan('awning:person', ['verb' => 'disable', 'email' => 'mira@studio.example'])->assertSuccessful();
        $this->app['auth']->forgetGuards();
        $this->actingAs($mira->refresh())->getJson('/api/series')->assertStatus(401);
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/session', ['email' => 'mira@studio.example', 'password' => self::PASSWORD])->assertStatus(
            422,
        );
        $this->artisan('awning:person', ['verb' => 'enable', 'email' => 'mira@studio.example'])->assertSuccessful();
        $this->postJson('/api/session', ['email' => 'mira@studio.example', 'password' => self::PASSWORD])->assertOk();
        $this->artisan('awning:person', ['verb' => 'password', 'email' => 'ghost@studio.example'])
            ->expectsOutputToContain('Nobody with this address')
            ->assertFailed();
        putenv('AWNING_TEST_PASSWORD=short');
        $this->artisan('awning:person', [
            'verb' => 'password',
            'email' => 'mira@studio.example',
            '--password-from' => 'AWNING_TEST_PASSWORD',
        ])
            ->expectsOutputToContain('at least 10')
            ->assertFailed();
        putenv('AWNING_TEST_PASSWORD');
    }

    public function test_demo_people_are_let_in_only_where_the_demo_is(): void
    {
        [$series] = $this->series();
        $guest = $this->person('Guest', $series);
        $guest->update(['is_demo' => true]);
        $this->actingAs($guest)->getJson('/api/series')->assertStatus(401);
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/session', [
            'email' => 'guest@awning.example',
            'password' => 'secret of Guest',
        ])->assertStatus(422);
        config(['awning.demo' => true]);
        $this->postJson('/api/session', [
            'email' => 'guest@awning.example',
            'password' => 'secret of Guest',
        ])->assertOk();
        $this->actingAs($guest)->getJson('/api/series')->assertOk();
    }

    public function test_an_invitation_lets_one_person_in_once(): void
    {
        [$series] = $this->series();
        $owner = $this->person('Owner', $series, Role::Owner);
        $this->actingAs($this->person('Pell', $series, Role::Colourist))
            ->postJson("/api/series/$series->id/invitations", ['role' => 'owner'])
            ->assertForbidden();
        $link = $this->actingAs($owner)
            ->postJson("/api/series/$series->id/invitations", ['role' => 'flatter'])
            ->assertStatus(201)
            ->json('link');
        $token = substr($link, -40);
        self::assertStringStartsWith(config('app.url').'/welcome/', $link);
        self::assertStringNotContainsString(
            $token,
            (string) json_encode(DB::table('invitations')->get()),
            'who reads the database has no link',
        );
        $this->app['auth']->forgetGuards();
        $this->getJson("/api/invitations/$token")->assertJson([
            'kind' => 'join',
            'series' => 'The Test Ferry',
            'role' => 'flatter',
            'email' => null,
        ]);
        $answer = ['name' => 'Ida', 'email' => 'Ida@Studio.example', 'password' => 'long enough to be one'];
        $this->postJson("/api/invitations/$token", ['password' => 'short'] + $answer)->assertJsonValidationErrorFor(
            'password',
        );
        $this->postJson("/api/invitations/$token", ['name' => null] + $answer)->assertJsonValidationErrorFor('name');
        $this->postJson("/api/invitations/$token", $answer)
            ->assertOk()
            ->assertJsonPath('user.name', 'Ida');
        $ida = User::query()->where('email', 'ida@studio.example')->sole();
        self::assertSame(Role::Flatter, $ida->roleIn($series));
        $this->getJson('/api/series')->assertOk()->assertJsonPath('0.role', 'flatter');
        $this->postJson(
            "/api/invitations/$token",
            ['email' => 'other@studio.example'] + $answer,
        )->assertJsonValidationErrorFor('token');
        $this->getJson("/api/invitations/$token")->assertNotFound();
        self::assertSame(0, User::query()->where('email', 'other@studio.example')->count());
    }

    public function test_an_invitation_grows_old_and_does_not_take_anybodys_name(): void
    {
        [$series] = $this->series();
        $this->person('Mira', $series, null);
        $token = Invitation::issue([
            'series_id' => $series->id,
            'role' => Role::Viewer,
            'email' => 'mira@awning.example',
        ]);
        $this->postJson("/api/invitations/$token", [
            'name' => 'Impostor',
            'password' => 'not her password',
        ])->assertJsonValidationErrorFor('password');
        self::assertNull(Invitation::query()->value('used_at'), 'a wrong password does not use it up');
        $this->postJson("/api/invitations/$token", ['name' => 'Impostor', 'password' => 'secret of Mira'])
            ->assertOk()
            ->assertJsonPath('user.name', 'Mira');
        $old = Invitation::issue(['series_id' => $series->id, 'role' => Role::Viewer]);
        $this->travel(Invitation::DAYS)->days();
        $this->travel(1)->seconds();
        $this->getJson("/api/invitations/$old")->assertNotFound();
    }

    public function test_passwords_are_changed_by_who_knows_the_old_one_or_has_a_link(): void
    {
        [$series] = $this->series();
        $mira = $this->person('Mira', $series);
        DB::table('sessions')->insert([
            'id' => 'elsewhere',
            'user_id' => $mira->id,
            'payload' => '',
            'last_activity' => 1,
        ]);
        $this->actingAs($mira);
        $this->putJson('/api/session/password', [
            'old' => [1, 2],
            'password' => 'long enough to be one',
        ])->assertJsonValidationErrorFor('old');
        $this->putJson('/api/session/password', [
            'old' => 'wrong',
            'password' => 'long enough to be one',
        ])->assertJsonValidationErrorFor('old');
        $this->putJson('/api/session/password', [
            'old' => 'secret of Mira',
            'password' => 'long enough to be one',
        ])->assertNoContent();
        self::assertSame(0, DB::table('sessions')->where('id', 'elsewhere')->count(), 'other windows are signed out');
        self::assertNotNull((new People)->who('mira@awning.example', 'long enough to be one'));
        $token = Invitation::issue(['user_id' => $mira->id]);
        $this->getJson("/api/invitations/$token")->assertJson([
            'kind' => 'password',
            'name' => 'Mira',
            'email' => 'mira@awning.example',
        ]);
        $this->postJson("/api/invitations/$token", ['password' => 'another long one'])->assertOk();
        self::assertNull((new People)->who('mira@awning.example', 'long enough to be one'));
        self::assertNotNull((new People)->who('mira@awning.example', 'another long one'));
    }

    public function test_guesses_are_counted_however_the_address_is_written(): void
    {
        for ($i = 0; $i < 8; $i++) {
            $this->postJson('/api/session', [
                'email' => [' Mira@a.example', 'mira@A.example '][$i % 2],
                'password' => "guess $i",
            ])->assertStatus(422);
        }
        $this->postJson('/api/session', ['email' => 'MIRA@A.EXAMPLE', 'password' => 'guess'])->assertStatus(429);
        $this->postJson('/api/session', ['email' => 'other@a.example', 'password' => 'guess'])->assertStatus(422);
    }

    public function test_each_door_counts_for_itself(): void
    {
        [$series] = $this->series();
        $mira = $this->person('Mira', $series);
        $token = Invitation::issue(['series_id' => $series->id]);
        // A stranger who tries links shuts no other door, not even that of an honest link.
        for ($i = 0; $i < 40; $i++) {
            $this->getJson('/api/invitations/'.str_repeat(chr(97 + ($i % 20)), 40))->assertNotFound();
        }
        $this->getJson("/api/invitations/$token")->assertOk();
        $this->postJson('/api/session', ['email' => 'mira@awning.example', 'password' => 'secret of Mira'])->assertOk();
        // Wrong old passwords are counted for who gives them.
        $change = fn (User $user) => $this->actingAs($user)->putJson('/api/session/password', [
            'old' => 'wrong',
            'password' => 'long enough to be one',
        ]);
        for ($i = 0; $i < 8; $i++) {
            $change($mira)->assertStatus(422);
        }
        $change($mira)->assertStatus(429);
        $change($this->person('Pell', $series))->assertStatus(422);
        $this->app['auth']->forgetGuards();
        $this->postJson('/api/session', ['email' => 'mira@awning.example', 'password' => 'secret of Mira'])->assertOk();
    }

    public function test_a_password_is_not_guessed_through_an_invitation(): void
    {
        [$series] = $this->series();
        $this->person('Mira', $series);
        $follow = fn (string $token, string $email, int $i) => $this->postJson("/api/invitations/$token", [
            'name' => 'X',
            'email' => $email,
            'password' => "a guess, number $i",
        ]);
        $token = Invitation::issue(['series_id' => $series->id]);
        for ($i = 0; $i < 8; $i++) {
            $follow($token, 'mira@awning.example', $i)->assertStatus(422);
        }
        $follow($token, 'pell@awning.example', 8)->assertStatus(429);
        $follow(Invitation::issue(['series_id' => $series->id]), ' MIRA@awning.example', 9)->assertStatus(429);
        $follow(Invitation::issue(['series_id' => $series->id]), 'ida@awning.example', 10)->assertOk();
    }

    public function test_only_who_is_signed_in_may_send_a_large_file(): void
    {
        [$series] = $this->series();
        $this->getJson('/api/session/may-send')->assertStatus(401);
        $mira = $this->person('Mira', $series);
        $this->actingAs($mira)->getJson('/api/session/may-send')->assertNoContent();
        $mira->forceFill(['disabled_at' => now()])->save();
        $this->getJson('/api/session/may-send')->assertStatus(401);
    }

    public function test_numbers_no_computer_holds_are_refused_before_anything_reads_them(): void
    {
        [$series, $page] = $this->series();
        $this->hold($page, $this->person('Mira', $series));
        $send = fn (string $json) => $this->call(
            'POST',
            "/api/pages/$page->id/lines/tidy",
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
            content: $json,
        );
        foreach (
            [
                '{"overshoot":1e999,"gap":1}',
                '{"overshoot":1,"gap":1,"deep":[[{"x":-1E+400}]]}',
                '{"overshoot":1,"gap":1'.str_repeat('0', 400).'}',
            ] as $json
        ) {
            $send($json)
                ->assertStatus(422)
                ->assertJsonPath(
                    'message',
                    'A number in this request is too large. Nothing was changed; reload the page and try again.',
                );
        }
        $send('{"overshoot":1e2,"gap":2,"text":"1e999"}')->assertOk();
    }

    public function test_names_with_marks_that_turn_the_writing_are_refused_and_never_kept(): void
    {
        [$series, $page, $material] = $this->series();
        $mira = $this->person('Mira', $series, Role::Owner);
        $this->actingAs($mira);
        foreach (["Oda\u{202E}kcarB", "Oda\nBrack", "O\u{2066}da", "O\u{FEFF}da"] as $name) {
            $this->postJson("/api/series/$series->id/ops", [
                'op' => ['kind' => 'figure.add', 'name' => $name],
            ])->assertJsonValidationErrorFor('name');
            $this->postJson("/api/series/$series->id/pages", ['title' => $name])->assertJsonValidationErrorFor('title');
            $this->postJson('/api/series', ['name' => $name])->assertJsonValidationErrorFor('name');
        }
        $this->postJson("/api/series/$series->id/ops", [
            'op' => ['kind' => 'figure.add', 'name' => '岬の塩 👩‍🎨'],
        ])->assertOk();
        // From a file, and from the command line, they are taken out.
        $this->postJson("/api/series/$series->id/ops", [
            'op' => [
                'kind' => 'palette.import',
                'name' => 'p.csv',
                'text' => "Tin\u{202E} Purser,enamel\u{200F},base,#123456\n",
            ],
        ])->assertOk();
        self::assertSame(
            ['Tin Purser', 'enamel'],
            [
                \App\Models\Figure::query()->latest('id')->value('name'),
                \App\Models\Material::query()->latest('id')->value('name'),
            ],
        );
        $this->artisan('awning:person', [
            'verb' => 'add',
            'email' => 'ida@studio.example',
            '--name' => "I\u{202D}da",
        ])->assertSuccessful();
        self::assertSame('I da', User::query()->where('email', 'ida@studio.example')->value('name'));
    }

    public function test_a_web_server_before_ours_is_believed_only_where_one_is_said_to_be(): void
    {
        \Illuminate\Support\Facades\Route::get(
            '/told',
            fn (Request $request): array => [$request->ip(), $request->isSecure()],
        );
        $headers = [
            'X-Forwarded-For' => '203.0.113.7',
            'X-Forwarded-Proto' => 'https',
            'X-Forwarded-Host' => 'elsewhere.example',
        ];
        $this->get('/told', $headers)->assertExactJson(['127.0.0.1', false]);
        \Illuminate\Http\Middleware\TrustProxies::at('127.0.0.1,::1');
        try {
            $this->get('/told', $headers)->assertExactJson(['203.0.113.7', true]);
        } finally {
            \Illuminate\Http\Middleware\TrustProxies::at((string) config('awning.proxies'));
        }
    }

    public function test_an_unknown_address_is_looked_at_as_hard_as_a_known_one(): void
    {
        [$series] = $this->series();
        $mira = $this->person('Mira', $series);
        $hashed = 0;
        $this->app['hash']->extend('counting', function () use (&$hashed) {
            return new class($hashed) extends \Illuminate\Hashing\BcryptHasher
            {
                public function __construct(private int &$checks)
                {
                    parent::__construct(['rounds' => 4]);
                }

                public function check($value, $hashedValue, array $options = []): bool
                {
                    $this->checks++;

                    return parent::check($value, $hashedValue, $options);
                }
            };
        });
        config(['hashing.driver' => 'counting']);
        self::assertNull((new People)->who('mira@awning.example', 'wrong'));
        self::assertNull((new People)->who('nobody@awning.example', 'wrong'));
        self::assertSame(2, $hashed);
        self::assertTrue((new People)->who('mira@awning.example', 'secret of Mira')?->is($mira));
    }

    public function test_only_an_upload_may_be_large(): void
    {
        $pass = fn (string $uri, string $type, int $length, string $method = 'POST'): int => (new SmallBodies)
            ->handle(
                Request::create($uri, $method, server: ['CONTENT_LENGTH' => (string) $length, 'CONTENT_TYPE' => $type]),
                fn () => response('in'),
            )
            ->getStatusCode();
        self::assertSame(200, $pass('/api/pages/3/ops', 'application/json', SmallBodies::MOST));
        self::assertSame(413, $pass('/api/pages/3/ops', 'application/json', SmallBodies::MOST + 1));
        self::assertSame(413, $pass('/api/pages/3/tasks/import', 'application/json', SmallBodies::MOST + 1));
        self::assertSame(200, $pass('/api/pages/3/tasks/import', 'multipart/form-data; boundary=x', 200 << 20));
        self::assertSame(413, $pass('/api/pages/3/tasks/import/more', 'multipart/form-data; boundary=x', 200 << 20));
        self::assertSame(413, $pass('/api/pages/3/tasks/import', 'multipart/form-data; boundary=x', 200 << 20, 'PUT'));
    }

    public function test_two_owners_cannot_remove_each_other(): void
    {
        [$series] = $this->series();
        [$one, $two] = [$this->person('One', $series, Role::Owner), $this->person('Two', $series, Role::Owner)];
        $this->actingAs($one)
            ->deleteJson("/api/series/$series->id/members/$two->id")
            ->assertNoContent();
        // The other's request was let through at the door before that, and waited: the lock is where it is looked at
        // again.
        $this->app['auth']->forgetGuards();
        $this->actingAs($two);
        \Illuminate\Support\Facades\Gate::before(fn () => null);
        $this->deleteJson("/api/series/$series->id/members/$one->id")->assertForbidden();
        self::assertSame([$one->id], Member::query()->where('role', Role::Owner)->pluck('user_id')->all());
    }

    public function test_a_foreign_host_is_not_repeated(): void
    {
        $this->get('/', ['Host' => 'evil.example'])->assertDontSee('evil.example');
        $answer = $this->get('/deliveries/1', ['Host' => 'evil.example']);
        self::assertStringNotContainsString(
            'evil.example',
            (string) $answer->headers->get('Location').$answer->getContent(),
        );
        self::assertStringStartsWith(
            (string) config('app.url'),
            (string) $this->get('/deliveries/1')->headers->get('Location'),
        );
    }

    /** What was painted stays out of the log. */
    public function test_a_failed_query_is_logged_without_what_was_bound_to_it(): void
    {
        $error = new QueryException(
            'mariadb',
            'insert into `tiles` values (?, ?)',
            ['abc', str_repeat("\x80secret", 2_000_000)],
            new \PDOException('disk full'),
        );
        $record = ShortLines::shorten(
            new LogRecord(new \DateTimeImmutable, 'awning', Level::Error, $error->getMessage(), [
                'exception' => $error,
                'userId' => 3,
            ]),
        );
        $line = $record->message.print_r($record->context, true);
        self::assertLessThan(12_000, strlen($line));
        self::assertStringNotContainsString('secret', $line);
        self::assertStringContainsString('disk full', $line);
        self::assertStringContainsString('insert into `tiles`', $line);
        self::assertSame(3, $record->context['userId']);
        self::assertLessThan(
            3000,
            strlen(
                ShortLines::shorten(
                    new LogRecord(new \DateTimeImmutable, 'awning', Level::Info, str_repeat('x', 90_000)),
                )->message,
            ),
        );
    }

    public function test_a_log_that_cannot_be_written_changes_no_answer(): void
    {
        config(['logging.channels.daily.path' => '/proc/no/such/place.log', 'logging.default' => 'awning']);
        \Illuminate\Support\Facades\Log::error('This goes nowhere.');
        $this->getJson('/api/session')->assertOk();
    }
}
