<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Page;
use App\Store\PageStore;
use App\Store\Pyramid;
use App\Store\Tiles;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

final class TileController
{
    private const MOST = 2000;

    /**
     * Many tiles of one level in one answer: for each asked for, in order, four bytes of length (most significant
     * first) and as many bytes of deflated tile; length 0 is an empty tile.
     */
    public function many(Request $request, Page $page): Response
    {
        $request->validate([
            'level' => 'required|integer|between:0,'.Pyramid::HIGHEST,
            'want' => 'required|array|max:'.self::MOST,
            'want.*' => 'array|size:3',
            'want.*.0' => 'string|max:60',
            'want.*.1' => 'integer|between:0,400',
            'want.*.2' => 'integer|between:0,400',
        ]);
        $pyramid = new Pyramid(new PageStore($page), $request->integer('level'));
        $hashes = [];
        foreach ($request->array('want') as [$layer, $column, $row]) {
            $hashes[] = $pyramid->hash($layer, (int) $column, (int) $row);
        }
        $bytes = (new Tiles)->manyPacked(array_values(array_filter($hashes)));
        $body = '';
        foreach ($hashes as $hash) {
            $tile = $hash === null ? '' : $bytes[$hash] ?? '';
            $body .= pack('N', strlen($tile)).$tile;
        }

        return new Response($body, 200, ['Content-Type' => 'application/octet-stream', 'Cache-Control' => 'no-store']);
    }

    /** One tile by its hash, for ever the same. It must belong to the page. */
    public function one(Page $page, string $hash): Response
    {
        abort_unless(DB::table('layer_tiles')->where('page_id', $page->id)->where('hash', $hash)->exists(), 404);

        return new Response((string) (new Tiles)->packed($hash), 200, [
            'Content-Type' => 'application/octet-stream', 'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }
}
