<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\LayerTile;
use App\Models\Page;
use App\Store\PageStore;
use App\Store\Pyramid;
use App\Store\Tiles;
use App\Values\Scalar;
use Awning\Core\Page\LayerName;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

final class TileController
{
    private const MOST = 2000;

    /**
     * Many tiles of one level in one answer: for each asked for, in order, four bytes of length (most significant
     * first), the 32 bytes of its name, and as many bytes of deflated tile as the length says; length 0 is an empty
     * tile.
     *
     * A page in view is hundreds of small tiles: one packed answer costs one trip where single addresses cost hundreds.
     * The browser keeps each tile under its name, which changes when the tile does, so none is sent twice.
     */
    public function many(Request $request, Page $page): Response
    {
        $request->validate([
            'level' => 'required|integer|between:0,'.Pyramid::HIGHEST,
            'want' => 'required|array|max:'.self::MOST,
            'want.*' => 'list|size:3',
            'want.*.0' => 'string|max:60',
            'want.*.1' => 'integer|between:0,400',
            'want.*.2' => 'integer|between:0,400',
        ]);
        $names = $this->names(new Pyramid(new PageStore($page), $request->integer('level')), $request->array('want'));
        $wanted = array_values(array_filter($names));
        $bytes = (new Tiles)->manyPacked($wanted);
        if (array_diff($wanted, array_keys($bytes)) !== []) {
            // Reduced tiles that were swept just now, between their names and their bytes: made again.
            $this->names(new Pyramid(new PageStore($page), $request->integer('level')), $request->array('want'));
            $bytes = (new Tiles)->manyPacked($wanted);
        }
        $body = '';
        foreach ($names as $name) {
            $tile = $name === null ? '' : $bytes[$name] ?? '';
            $body .= pack('N', strlen($tile)).($name === null ? str_repeat("\0", 32) : hex2bin($name)).$tile;
        }

        return new Response($body, 200, ['Content-Type' => 'application/octet-stream', 'Cache-Control' => 'no-store']);
    }

    /**
     * @param  array<array-key, mixed>  $want
     * @return list<?string>
     */
    private function names(Pyramid $pyramid, array $want): array
    {
        try {
            return array_map(function (mixed $tile) use ($pyramid): ?string {
                [$layer, $column, $row] = array_values((array) $tile) + [null, null, null];

                return $pyramid->hash(
                    LayerName::parse(Scalar::string($layer)),
                    Scalar::int($column),
                    Scalar::int($row),
                );
            }, array_values($want));
        } catch (\InvalidArgumentException $error) {
            throw ValidationException::withMessages(['want' => $error->getMessage()]);
        }
    }

    /** One tile by its hash, for ever the same. It must belong to the page. */
    public function one(Page $page, string $hash): Response
    {
        abort_unless(LayerTile::query()->where('page_id', $page->id)->where('hash', $hash)->exists(), 404);

        return new Response((string) (new Tiles)->packed($hash), 200, [
            'Content-Type' => 'application/octet-stream',
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }
}
