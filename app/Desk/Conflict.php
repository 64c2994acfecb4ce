<?php

declare(strict_types=1);

namespace App\Desk;

use Illuminate\Contracts\Support\Responsable;
use Illuminate\Http\JsonResponse;

/** Something was done on an old state, or without holding the page. Nothing was changed. */
final class Conflict extends \RuntimeException implements Responsable
{
    /** @param  array<string, mixed>  $details what the client needs to recover */
    public function __construct(string $message, private readonly array $details = [])
    {
        parent::__construct($message);
    }

    public function toResponse($request): JsonResponse
    {
        return new JsonResponse(['message' => $this->getMessage()] + $this->details, 409);
    }
}
