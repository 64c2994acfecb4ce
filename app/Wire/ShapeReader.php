<?php

declare(strict_types=1);

namespace App\Wire;

/**
 * Turns a PHPStan type as docblocks write it into TypeScript: scalars, ?T, unions, list<T>, array<K, V>, shapes,
 * tuples, literals, value-of<Enum>, and names of other types, which stay as they are.
 */
final class ShapeReader
{
    private string $text = '';

    private int $at = 0;

    /** @var list<string> short names of the enums met */
    private array $enums = [];

    /** @throws \UnexpectedValueException when the type is not one of these */
    public function typeScript(string $type): string
    {
        $this->text = (string) preg_replace('/\s+/', ' ', trim($type));
        $this->at = 0;
        $result = $this->union();
        if ($this->at < strlen($this->text)) {
            $this->fail();
        }

        return $result;
    }

    /** @return list<string> */
    public function enums(): array
    {
        return array_values(array_unique($this->enums));
    }

    private function union(): string
    {
        $parts = [$this->single()];
        while ($this->takes('|')) {
            $parts[] = $this->single();
        }

        return implode(' | ', $parts);
    }

    private function single(): string
    {
        if ($this->takes('?')) {
            return $this->single().' | null';
        }
        if ($this->takes("'")) {
            return "'".$this->until("'")."'";
        }
        $name = $this->name();

        return match ($name) {
            'int', 'float' => 'number',
            'string' => 'string',
            'bool' => 'boolean',
            'null' => 'null',
            'mixed' => 'unknown',
            'list' => $this->listOf(),
            'array' => $this->takes('{') ? $this->shape() : $this->recordOf(),
            'value-of' => $this->enum(),
            default => $name,
        };
    }

    private function listOf(): string
    {
        $this->needs('<');
        $of = $this->union();
        $this->needs('>');

        return str_contains($of, '|') ? "($of)[]" : $of.'[]';
    }

    private function recordOf(): string
    {
        $this->needs('<');
        $key = $this->union();
        $this->needs(',');
        $value = $this->union();
        $this->needs('>');

        return 'Record<'.($key === 'number' ? 'string' : $key).", $value>";
    }

    private function enum(): string
    {
        $this->needs('<');
        $this->enums[] = $name = $this->name();
        $this->needs('>');

        return $name;
    }

    private function shape(): string
    {
        $named = $tuple = [];
        while (! $this->takes('}')) {
            if (preg_match('/\G([a-zA-Z]\w*)(\??):/', $this->text, $match, 0, $this->skip()) === 1) {
                $this->at += strlen($match[0]);
                $named[] = "$match[1]$match[2]: ".$this->union();
            } else {
                $tuple[] = $this->union();
            }
            $this->takes(',');
        }

        return $named !== [] ? '{ '.implode('; ', $named).' }' : '['.implode(', ', $tuple).']';
    }

    private function name(): string
    {
        if (preg_match('/\G[a-zA-Z][\w-]*/', $this->text, $match, 0, $this->skip()) !== 1) {
            $this->fail();
        }
        $this->at += strlen($match[0]);

        return $match[0];
    }

    private function skip(): int
    {
        return $this->at += strspn($this->text, ' ', $this->at);
    }

    private function takes(string $sign): bool
    {
        if (substr($this->text, $this->skip(), 1) !== $sign) {
            return false;
        }
        $this->at++;

        return true;
    }

    private function needs(string $sign): void
    {
        $this->takes($sign) || $this->fail();
    }

    private function until(string $sign): string
    {
        $from = $this->at;
        $this->at = (int) strpos($this->text, $sign, $from) + 1;

        return substr($this->text, $from, $this->at - $from - 1);
    }

    private function fail(): never
    {
        throw new \UnexpectedValueException("Cannot be told in TypeScript: $this->text, at $this->at");
    }
}
