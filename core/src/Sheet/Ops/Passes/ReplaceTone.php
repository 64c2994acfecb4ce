<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Colour\Tone;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\ToneContent;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/** One tone in place of another in the passes of a figure on a page: what was painted stays where it is. */
final readonly class ReplaceTone implements Op
{
    /** @param  string  $name  what is done, for the journal */
    public function __construct(private int $figure, private Tone $from, private Tone $to, private string $name)
    {
    }

    public static function kind(): string
    {
        return 'tone.replace';
    }

    public static function form(): int
    {
        return 1;
    }

    /** @return array{figure: int, from: value-of<Tone>, to: value-of<Tone>} */
    public function toInput(): array
    {
        return ['figure' => $this->figure, 'from' => $this->from->value, 'to' => $this->to->value];
    }

    public function title(): string
    {
        return $this->name;
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function apply(Sheet $sheet): void
    {
        foreach ($sheet->all(PassSpec::class) as $id => $pass) {
            if (
                $pass->figure === $this->figure &&
                $pass->content instanceof ToneContent &&
                $pass->content->tone === $this->from
            ) {
                $sheet->put((string) $id, $pass->showing(new ToneContent($this->to)));
            }
        }
    }
}
