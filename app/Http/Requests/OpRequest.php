<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Desk\Asked;

/** One change to a page, made on a known revision. Its shape is checked here; what an op needs, the op itself reads. */
final class OpRequest extends HolderRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'id' => ['required', 'string', 'regex:/^[a-z0-9]{12,40}$/D'],
            'base' => 'required|integer|min:0',
            'op' => $this->routeIs('pages.ops') ? 'required|array' : 'prohibited',
        ];
    }

    public function asked(): Asked
    {
        return new Asked($this->string('id')->toString(), $this->integer('base'), $this->lease());
    }

    /** @return array<array-key, mixed> */
    public function op(): array
    {
        return $this->array('op');
    }
}
