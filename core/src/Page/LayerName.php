<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/**
 * Names a layer of a page: "ink", "flats", "scan:ID", "drawing:ID", "cover:ID", "pass:ID" (coverage), "made:ID",
 * "added:ID", "gone:ID" or "paint:ID".
 */
final readonly class LayerName
{
    private function __construct(public string $value, public LayerKind $kind)
    {
    }

    /** How dark a drawing is where it lies, before levels. */
    public static function scan(string $drawing): self
    {
        return new self("scan:$drawing", LayerKind::Coverage);
    }

    /** A drawing's lines where they lie. */
    public static function drawing(string $drawing): self
    {
        return new self("drawing:$drawing", LayerKind::Coverage);
    }

    /** What a drawing hides of the drawings behind it. */
    public static function cover(string $drawing): self
    {
        return new self("cover:$drawing", LayerKind::Coverage);
    }

    /** @return list<self> all that a drawing is kept in */
    public static function allOf(string $drawing): array
    {
        return [self::scan($drawing), self::drawing($drawing), self::cover($drawing)];
    }

    public static function ink(): self
    {
        return new self('ink', LayerKind::Coverage);
    }

    public static function flats(): self
    {
        return new self('flats', LayerKind::Labels);
    }

    /** The layer of a pass whose content is of this kind. */
    public static function ofPass(string $id, LayerKind $kind): self
    {
        return new self(($kind === LayerKind::Paint ? 'paint:' : 'pass:').$id, $kind);
    }

    /** What was computed of a pass, before a hand went over it. */
    public static function computed(string $pass): self
    {
        return new self("made:$pass", LayerKind::Coverage);
    }

    /** What a hand added to what was computed. */
    public static function added(string $pass): self
    {
        return new self("added:$pass", LayerKind::Coverage);
    }

    /** What a hand erased of what was computed. */
    public static function erased(string $pass): self
    {
        return new self("gone:$pass", LayerKind::Coverage);
    }

    /** @return list<self> all that is kept of a pass beside what is seen of it */
    public static function besidesPass(string $pass): array
    {
        return [self::computed($pass), self::added($pass), self::erased($pass)];
    }

    /** @throws \InvalidArgumentException when no layer can have this name */
    public static function parse(string $value): self
    {
        return match (true) {
            $value === 'flats' => self::flats(),
            $value === 'ink',
            preg_match('/^(scan|drawing|cover|pass|made|added|gone):[a-z0-9]{1,40}$/D', $value) === 1 => new self($value, LayerKind::Coverage),
            preg_match('/^paint:[a-z0-9]{1,40}$/D', $value) === 1 => new self($value, LayerKind::Paint),
            default => throw new \InvalidArgumentException('There is no layer of this name.'),
        };
    }
}
