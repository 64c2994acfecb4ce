<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Data;
use Awning\Core\Page\LayerKind;

/**
 * What makes one kind of pass: where its colour comes from, or what it does to what lies beneath, with its own
 * settings.
 *
 * @phpstan-import-type BalanceData from BalanceContent
 * @phpstan-import-type CurveData from CurveContent
 * @phpstan-import-type GradientData from GradientContent
 * @phpstan-import-type ShiftPassData from ShiftContent
 * @phpstan-import-type WashData from WashContent
 * @phpstan-import-type ToneData from ToneContent
 * @phpstan-import-type TintData from TintContent
 * @phpstan-import-type PaintData from PaintContent
 * @phpstan-import-type LevelsData from LevelsContent
 * @phpstan-import-type MistData from MistContent
 * @phpstan-import-type ParticlesData from ParticlesContent
 * @phpstan-import-type CloudsData from CloudsContent
 * @phpstan-import-type LightningData from LightningContent
 * @phpstan-import-type ShaftsData from ShaftsContent
 * @phpstan-import-type SoftnessData from SoftnessContent
 * @phpstan-import-type GlowData from GlowContent
 * @phpstan-import-type ShimmerData from ShimmerContent
 *
 * @phpstan-type AdjustmentData LevelsData|CurveData|ShiftPassData|BalanceData
 * @phpstan-type WeatherData MistData|ParticlesData|LightningData|ShaftsData
 * @phpstan-type OpticsData SoftnessData|GlowData|ShimmerData
 * @phpstan-type FillingData WashData|GradientData|CloudsData
 * @phpstan-type ContentData ToneData|TintData|PaintData|FillingData|AdjustmentData|WeatherData|OpticsData
 */
interface PassContent
{
    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self;

    /** @return ContentData its kind and its own settings */
    public function toData(): array;

    public function kind(): PassKind;

    /** What is painted in it at each pixel; null: nothing is, and it fills all that its clip and its mask leave. */
    public static function layer(): ?LayerKind;

    /** Whether what it does follows from the picture beneath it. */
    public static function alters(): bool;

    /** Whether it looks at the pixels about each one, so that it can only be laid over everything that lies beneath. */
    public static function looksAround(): bool;
}
