<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Store\Manual;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** The manual inside the application. */
final class ManualController
{
    public function index(Manual $manual): JsonResponse
    {
        return new JsonResponse($manual->chapters());
    }

    public function picture(Manual $manual, string $picture): Response
    {
        return new Response($manual->picture($picture) ?? abort(404), 200, [
            'Content-Type' => 'image/png',
            'Cache-Control' => 'private, max-age=3600',
        ]);
    }
}
