<?php

declare(strict_types=1);

namespace Awning\Core\Page\Setup;

use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\ColourTurn;
use Awning\Core\Page\Pass\PassContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\RoughKind;
use Awning\Core\Page\Pass\Scope;

/**
 * A stack of passes that can be hung on anything, bottom up; where it is hung says what they are clipped to.
 *
 * @phpstan-import-type ContentData from PassContent
 * @phpstan-import-type TurnData from ColourTurn
 *
 * @phpstan-type SetupPass array{name: string, content: ContentData, mode: value-of<BlendMode>, opacity: float,
 *     turn: ?TurnData, marks: ?string, rough: ?value-of<RoughKind>}
 */
final readonly class Setup
{
    public const MOST = 24;

    /**
     * @param  non-empty-list<PassSpec>  $passes  nobody's, clipped to nothing
     * @param  list<?SetupMarks>  $marks  what is painted in each
     * @param  list<?RoughKind>  $roughs  which of them a first light fills, and with what
     */
    private function __construct(public array $passes, public array $marks, public array $roughs)
    {
    }

    /**
     * @param  list<mixed>  $passes
     *
     * @throws \InvalidArgumentException
     */
    public static function fromList(array $passes): self
    {
        $specs = $marks = $roughs = [];
        foreach ($passes as $pass) {
            $data = new Data(
                is_array($pass) ? $pass : throw new \InvalidArgumentException('A setup is a list of passes.'),
            );
            $specs[] = PassSpec::ofNobody($data);
            $marks[] = $data->has('marks') ? SetupMarks::fromText($data->text('marks')) : null;
            $roughs[] = $data->has('rough')
                ? $data->choice('rough', RoughKind::class, 'This kind of first light is not known.')
                : null;
        }
        if ($specs === [] || count($specs) > self::MOST) {
            throw new \InvalidArgumentException('A setup has 1 to '.self::MOST.' passes.');
        }

        foreach (array_filter($roughs) as $i => $rough) {
            if ($marks[$i] !== null || $specs[$i]->isPaint()) {
                throw new \InvalidArgumentException(
                    "The pass {$specs[$i]->name} is filled by a first light: it is a tone or a tint, and holds no marks.",
                );
            }
        }

        return new self($specs, $marks, $roughs);
    }

    /**
     * @param  int  $id  of the setup in its series; 0: it is none of a series
     * @return non-empty-list<PassSpec> as passes of a figure, clipped to something of it
     */
    public function on(int $figure, Scope $scope, int $id): array
    {
        $hung = fn (PassSpec $pass, int $place): PassSpec => new PassSpec(
            name: $pass->name,
            figure: $figure,
            content: $pass->content,
            scope: $this->roughs[$place]?->scope($figure) ?? $scope,
            mode: $pass->mode,
            opacity: $pass->opacity,
            turn: $pass->turn,
            setup: $id === 0 ? null : new SetupPlace($id, $place),
        );

        return array_map($hung, $this->passes, array_keys($this->passes));
    }

    /** @return non-empty-list<SetupPass> */
    public function toList(): array
    {
        return array_map(
            function (PassSpec $pass, ?SetupMarks $marks, ?RoughKind $rough): array {
                [
                    'name' => $name,
                    'content' => $content,
                    'mode' => $mode,
                    'opacity' => $opacity,
                    'turn' => $turn,
                ] = $pass->toData();

                return [
                    'name' => $name,
                    'content' => $content,
                    'mode' => $mode,
                    'opacity' => $opacity,
                    'turn' => $turn,
                    'marks' => $marks?->toText(),
                    'rough' => $rough?->value,
                ];
            },
            $this->passes,
            $this->marks,
            $this->roughs,
        );
    }
}
