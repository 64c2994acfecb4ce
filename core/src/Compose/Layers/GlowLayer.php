<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\ExactCanvas;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\GlowContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\BoxBlur;

/** Lays what is bright beneath over it again, made soft, inside its clip. */
final readonly class GlowLayer extends AroundLayer
{
    private float $threshold;

    private BoxBlur $blur;

    public function __construct(string $id, PassSpec $spec, ?Mask $mask = null, ?PageSize $page = null)
    {
        parent::__construct($id, $spec, $mask, $page);
        $content = $spec->content instanceof GlowContent
            ? $spec->content
            : throw new \LogicException('Another kind of pass.');
        $this->threshold = $content->threshold;
        $this->blur = new BoxBlur(max(0.1, min(self::MOST, $content->reach * $this->thousandth())));
    }

    public function margin(): int
    {
        return $this->blur->reach();
    }

    protected function seen(ExactCanvas $canvas, Ground $ground): ExactCanvas
    {
        $rect = $ground->rect();

        return $canvas->bright($this->threshold)->blurred($this->blur, $rect->width, $rect->height);
    }
}
