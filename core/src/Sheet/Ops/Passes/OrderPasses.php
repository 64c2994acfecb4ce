<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Passes;

use Awning\Core\Page\Data;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Hangs several passes elsewhere at once, as a group is moved.
 *
 * @phpstan-type PassPlaceData array{id: string, order: float}
 * @phpstan-type OrderPassesInput array{passes: list<PassPlaceData>}
 */
final readonly class OrderPasses implements ClientOp
{
    /**
     * @param  non-empty-array<string, float>  $orders  by id of the pass: its place, bottom up among those of its
     *     figure
     */
    private function __construct(private array $orders)
    {
    }

    public static function kind(): string
    {
        return 'pass.order';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $orders = [];
        foreach ($input->list('passes', AddPass::MOST) as $place) {
            $place = new Data(is_array($place) ? $place : []);
            $orders[$place->id('id')] = $place->number('order', -PassSpec::FARTHEST, PassSpec::FARTHEST);
        }

        return new self(
            $orders === [] ? throw new \InvalidArgumentException('Say which passes are to hang elsewhere.') : $orders,
        );
    }

    /** @return OrderPassesInput */
    public function toInput(): array
    {
        return [
            'passes' => array_map(
                fn (string $id, float $order): array => ['id' => $id, 'order' => $order],
                array_map(strval(...), array_keys($this->orders)),
                array_values($this->orders),
            ),
        ];
    }

    public function title(): string
    {
        return 'Move passes';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $moved = [];
        foreach ($this->orders as $id => $order) {
            $moved[$id] = (
                $sheet->find(PassSpec::class, $id) ?? throw new OpRefused('One of the passes is gone. Reload the page.')
            )->at($order);
        }
        foreach ($moved as $id => $pass) {
            $sheet->put($id, $pass);
        }
    }
}
