<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Layers;

use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Bytes;

/** What one pass lets through of another. */
final readonly class Mask
{
    private LayerName $layer;

    /** @param  bool  $outside  what the pass does not cover is let through */
    public function __construct(string $id, private PassSpec $pass, private bool $outside)
    {
        $this->layer = $pass->layer($id);
    }

    /**
     * @param  string  $coverage  one byte a pixel
     * @return string what is left of it
     */
    public function through(string $coverage, Ground $ground): string
    {
        $covered = $this->pass->isPaint() ? $ground->paint($this->layer)?->alphas() : $ground->coverage($this->layer);
        if ($covered === null) {
            return $this->outside ? $coverage : str_repeat("\0", $ground->count);
        }
        $clipped = Pixels::within($ground->count, $ground->flats->inside($this->pass->scope, 0), $covered);

        return Bytes::product($coverage, $this->outside ? ~$clipped : $clipped);
    }
}
