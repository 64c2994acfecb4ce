<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** A request by someone who holds, or would hold, a page. */
class HolderRequest extends FormRequest
{
    public const LEASE = ['lease' => ['required', 'string', 'regex:/^[a-z0-9]{12,40}$/D']];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return self::LEASE;
    }

    public function lease(): string
    {
        return $this->string('lease')->toString();
    }

    public function person(): User
    {
        $user = $this->user();

        return $user instanceof User ? $user : abort(401);
    }
}
