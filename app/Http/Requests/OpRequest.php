<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Awning\Core\Brush\Path;
use Awning\Core\Raster\Labels;

/** One change to a page, made on a known revision. Shape and limits are checked here, meaning by the desk. */
final class OpRequest extends HolderRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'base' => 'required|integer|min:0',
            'op' => 'required|array',
            'op.kind' => 'required|string|max:20',
            'op.points' => 'sometimes|array|max:'.Path::MOST_POINTS,
            'op.labels' => 'sometimes|array|max:'.Labels::MOST,
            'op.passes' => 'sometimes|array|max:200',
        ];
    }

    /** @return array<string, mixed> */
    public function op(): array
    {
        return $this->array('op');
    }
}
