<?php

declare(strict_types=1);

namespace App\Demo;

use Awning\Core\Codec\Thumbnail;
use Imagick;

/** Rough masks of light and shadow for the rendered demo page, from the key picture: the light comes from the right, above. */
final readonly class DemoLight
{
    /** @param  string  $key  one byte a pixel: number of the material's class */
    public function __construct(private string $key, private int $width, private int $height)
    {
    }

    /**
     * The edge of each material's area that a light of this reach leaves dark, or with a negative reach, catches.
     *
     * @param  list<int>  $classes
     */
    public function edge(array $classes, int $reach, float $blur): string
    {
        $out = str_repeat("\0", $this->width * $this->height);
        foreach ($classes as $class) {
            $area = $this->area([$class]);
            if ($area !== null) {
                $out |= $area & ~$this->shifted($area, -$reach, $reach);
            }
        }

        return $this->blurred($out, $blur);
    }

    /**
     * The same for the outline of all the classes taken together.
     *
     * @param  list<int>  $classes
     */
    public function outline(array $classes, int $reach, float $blur): string
    {
        $area = $this->area($classes) ?? str_repeat("\0", $this->width * $this->height);

        return $this->blurred($area & ~$this->shifted($area, -$reach, $reach), $blur);
    }

    /** @param  list<int>  $classes */
    public function glow(array $classes, float $blur): string
    {
        return $this->blurred($this->area($classes) ?? str_repeat("\0", $this->width * $this->height), $blur);
    }

    /** @param  list<int>  $classes */
    private function area(array $classes): ?string
    {
        $table = str_repeat("\0", 256);
        foreach ($classes as $class) {
            $table[$class] = "\xff";
        }
        $area = strtr($this->key, implode('', array_map(chr(...), range(0, 255))), $table);

        return strspn($area, "\0") === strlen($area) ? null : $area;
    }

    private function shifted(string $plane, int $right, int $down): string
    {
        $by = $down * $this->width + $right;
        $none = str_repeat("\0", abs($by));

        return $by >= 0 ? substr($plane, $by).$none : $none.substr($plane, 0, $by);
    }

    private function blurred(string $plane, float $radius): string
    {
        $image = new Imagick;
        $image->setSize($this->width, $this->height);
        $image->setOption('depth', '8');
        $image->setFormat('gray');
        // A wide blur is made small: it looks the same and takes a tenth of the time.
        $small = $radius > 6 ? 4 : 1;
        $width = intdiv($this->width, $small);
        $height = intdiv($this->height, $small);
        $image->setSize($width, $height);
        $image->readImageBlob($small === 1 ? $plane : Thumbnail::shrink($plane, $this->width, $this->height, $width, $height));
        $image->blurImage($radius < 1.5 ? 1 : 0, $radius / $small);
        if ($small > 1) {
            $image->resizeImage($this->width, $this->height, Imagick::FILTER_TRIANGLE, 1);
        }
        $image->setImageFormat('gray');
        $image->setImageDepth(8);

        return $image->getImageBlob();
    }
}
