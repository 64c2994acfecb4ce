<?php

declare(strict_types=1);

namespace App\Desk\Deliveries;

/**
 * The forms in which a page leaves, in the order in which they are offered.
 *
 * @phpstan-type DeliveryOffer array{format: string, title: string, purpose: string}
 */
final class DeliveryKinds
{
    /** @var list<class-string<Delivery>> */
    public const ALL = [
        PngDelivery::class,
        TiffDelivery::class,
        JpegDelivery::class,
        LayersDelivery::class,
        FlatsDelivery::class,
        FiguresDelivery::class,
        MaterialsDelivery::class,
    ];

    /** @return list<string> */
    public static function formats(): array
    {
        return array_map(fn (string $delivery): string => $delivery::format(), self::ALL);
    }

    /** @throws \OutOfBoundsException when there is none of that format */
    public static function of(string $format): Delivery
    {
        foreach (self::ALL as $delivery) {
            if ($delivery::format() === $format) {
                return new $delivery;
            }
        }
        throw new \OutOfBoundsException("There is no delivery of the format $format.");
    }

    /** @return list<DeliveryOffer> */
    public static function offers(): array
    {
        return array_map(
            fn (string $delivery): array => [
                'format' => $delivery::format(),
                'title' => $delivery::title(),
                'purpose' => $delivery::purpose(),
            ],
            self::ALL,
        );
    }
}
