<?php

declare(strict_types=1);

namespace Awning\Core\Page;

use Awning\Core\Colour\Tone;

/**
 * A stack of passes that can be hung on anything, bottom up; where it is hung says what they are clipped to.
 *
 * @phpstan-import-type TurnData from ColourTurn
 *
 * @phpstan-type SetupPass array{name: string, kind: value-of<PassKind>, tone: ?value-of<Tone>, colour: ?string, follows: ?value-of<LightPart>, mode: value-of<BlendMode>, opacity: float, turn: ?TurnData, marks: ?string}
 */
final readonly class Setup
{
    public const MOST = 24;

    /**
     * @param  non-empty-list<PassSpec>  $passes  nobody's, clipped to nothing
     * @param  list<?SetupMarks>  $marks  what is painted in each
     */
    private function __construct(public array $passes, public array $marks)
    {
    }

    /**
     * @param  list<mixed>  $passes
     *
     * @throws \InvalidArgumentException
     */
    public static function fromList(array $passes): self
    {
        $specs = $marks = [];
        foreach ($passes as $pass) {
            $data = new Data(is_array($pass) ? $pass : throw new \InvalidArgumentException('A setup is a list of passes.'));
            $specs[] = PassSpec::fromData((new Data(['figure' => 0, 'scope' => Scope::page()->toData(), 'order' => 0.0, 'group' => null, 'visible' => true, 'mask' => null, 'setup' => null]))->over($data));
            $marks[] = $data->has('marks') ? SetupMarks::fromText($data->text('marks')) : null;
        }
        if ($specs === [] || count($specs) > self::MOST) {
            throw new \InvalidArgumentException('A setup has 1 to '.self::MOST.' passes.');
        }

        return new self($specs, $marks);
    }

    /**
     * @param  int  $id  of the setup in its series; 0: it is none of a series
     * @return non-empty-list<PassSpec> as passes of a figure, clipped to something of it
     */
    public function on(int $figure, Scope $scope, int $id): array
    {
        $hung = fn (PassSpec $pass, int $place): PassSpec => new PassSpec($pass->name, $figure, $pass->content, $scope, $pass->mode, $pass->opacity, turn: $pass->turn, setup: $id === 0 ? null : new SetupPlace($id, $place));

        return array_map($hung, $this->passes, array_keys($this->passes));
    }

    /** @return non-empty-list<SetupPass> */
    public function toList(): array
    {
        return array_map(function (PassSpec $pass, ?SetupMarks $marks): array {
            ['name' => $name, 'kind' => $kind, 'tone' => $tone, 'colour' => $colour, 'follows' => $follows, 'mode' => $mode, 'opacity' => $opacity, 'turn' => $turn] = $pass->toData();

            return ['name' => $name, 'kind' => $kind, 'tone' => $tone, 'colour' => $colour, 'follows' => $follows, 'mode' => $mode, 'opacity' => $opacity, 'turn' => $turn, 'marks' => $marks?->toText()];
        }, $this->passes, $this->marks);
    }
}
