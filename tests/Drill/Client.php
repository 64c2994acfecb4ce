<?php

declare(strict_types=1);

namespace Tests\Drill;

use CurlHandle;
use RuntimeException;

/** A person's browser as far as the server can tell: cookies, the token, one connection a request. */
final class Client
{
    private string $jar;

    /** @param  ?Proxy  $proxy  a web server before Awning that it goes through */
    public function __construct(private readonly int $port, private readonly ?Proxy $proxy = null)
    {
        $this->jar = (string) tempnam(sys_get_temp_dir(), 'awning-jar');
    }

    public function signIn(string $email, string $password): void
    {
        $this->json('GET', '/api/session');
        [$status, $body] = $this->json('POST', '/api/session', ['email' => $email, 'password' => $password]);
        $status === 200 || throw new RuntimeException('Signing in failed: '.json_encode($body));
    }

    /**
     * @param  array<string, mixed>|null  $body
     * @return array{int, mixed} status (0: no answer) and what was answered
     */
    public function json(string $method, string $path, ?array $body = null): array
    {
        $request = $this->request($method, $path, $body);

        return $this->answer($request, curl_exec($request));
    }

    /**
     * A request that can be begun now and read later.
     *
     * @param  array<string, mixed>|null  $body  with a CURLFile in it, sent as a form
     */
    public function request(string $method, string $path, ?array $body = null): CurlHandle
    {
        $isForm = $body !== null && array_filter($body, fn ($value): bool => $value instanceof \CURLFile) !== [];
        $request =
            curl_init(($this->proxy?->address() ?? "http://127.0.0.1:$this->port").$path) ?:
            throw new RuntimeException('curl does not work.');
        curl_setopt_array($request, [
            CURLOPT_CUSTOMREQUEST => $method,
            CURLOPT_RETURNTRANSFER => true,
            CURLOPT_COOKIEJAR => $this->jar,
            CURLOPT_COOKIEFILE => $this->jar,
            CURLOPT_TIMEOUT => 90,
            CURLOPT_FORBID_REUSE => true,
            CURLOPT_HTTPHEADER => [
                'Accept: application/json',
                'Expect:',
                'X-XSRF-TOKEN: '.$this->token(),
                ...$isForm ? [] : ['Content-Type: application/json'],
            ],
        ]);
        if ($this->proxy !== null) {
            curl_setopt_array($request, [
                CURLOPT_RESOLVE => [$this->proxy->resolved()],
                CURLOPT_CAINFO => $this->proxy->certificate(),
            ]);
        }
        if ($body !== null) {
            curl_setopt($request, CURLOPT_POSTFIELDS, $isForm ? $body : json_encode($body));
        }

        return $request;
    }

    /** @return array{int, mixed} */
    public function answer(CurlHandle $request, mixed $body): array
    {
        // Cookies are written down when the handle is done with.
        curl_setopt($request, CURLOPT_COOKIELIST, 'FLUSH');

        return [
            (int) curl_getinfo($request, CURLINFO_RESPONSE_CODE),
            is_string($body) ? json_decode($body, true) : null,
        ];
    }

    /**
     * Sends requests at the same time, and waits for all of them.
     *
     * @param  list<array{0: self, 1: CurlHandle, 2?: string}>  $requests  whose they are, and the requests
     * @return list<array{int, mixed, float}> status, answer, seconds
     */
    public static function together(array $requests): array
    {
        $multi = curl_multi_init();
        foreach ($requests as [, $request]) {
            curl_multi_add_handle($multi, $request);
        }
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.05);
        } while ($running > 0);

        return array_map(
            fn (array $one): array => [
                ...$one[0]->answer($one[1], curl_multi_getcontent($one[1])),
                (float) curl_getinfo($one[1], CURLINFO_TOTAL_TIME),
            ],
            $requests,
        );
    }

    private function token(): string
    {
        return preg_match('/XSRF-TOKEN\t(\S+)/', (string) @file_get_contents($this->jar), $found) === 1
            ? urldecode($found[1])
            : '';
    }
}
