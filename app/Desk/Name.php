<?php

declare(strict_types=1);

namespace App\Desk;

use Awning\Core\Page\Bounds;
use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/** A name a person gives: one line of characters that can be seen. */
final readonly class Name implements ValidationRule
{
    /** @param  int  $most  characters */
    public function __construct(private int $most)
    {
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (! is_string($value) || trim($value) === '' || mb_strlen($value) > $this->most) {
            $fail("A name has 1 to $this->most characters.");
        } elseif (preg_match(Bounds::NOT_IN_NAMES, $value) !== 0) {
            $fail(
                'The name holds characters that cannot be seen, such as line breaks or marks that turn the '
                    .'direction of writing. Type it anew.',
            );
        }
    }
}
