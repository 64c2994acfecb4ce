<?php

declare(strict_types=1);

/**
 * A script that does something to the open page, and tells after how many frames and milliseconds it has been drawn
 * everywhere in view, if only as a draft, after how many all of it has been to the last pixel, and how many tiles
 * workers were asked for.
 *
 * @param  string  $change  JavaScript; it knows `session` and the script's `arguments`
 */
function drawnEverywhere(string $change): string
{
    return str_replace('CHANGE', $change, <<<'JS'
const done = arguments[arguments.length - 1];
const { session, renderer } = window.awning;
const { tiles } = renderer;
const { pool } = tiles;
let [began, frames, open, asked, there] = [0, 0, 0, 0, null];
// Of what is in view: a coarse picture that only stands in for tiles on their way is not seen.
const seen = `view ${renderer.level} `;
pool.ask = (request) => {
    const isSeen = request.key.startsWith(seen);
    if (isSeen) { open++; asked++; }
    Object.getPrototypeOf(pool).ask.call(pool, { ...request, done: (pixels) => { if (isSeen) open--; request.done(pixels); } });
};
const isWaited = (tile) => (tile.isDirty || tile.isAsked) && !tile.isDraft && !tile.hasCoarseChange;
const isThere = () => ![...tiles.shown].some(([key, tile]) => key.startsWith(`${renderer.level} `) && isWaited(tile));
renderer.draw = () => {
    Object.getPrototypeOf(renderer).draw.call(renderer);
    if (began === 0) return;
    const took = performance.now() - began;
    if (there === null && isThere()) there = [frames, took];
    if (there === null || open > 0) return;
    delete pool.ask;
    delete renderer.draw;
    began = 0;
    done([...there, frames, took, asked]);
};
requestAnimationFrame(() => {
    began = performance.now();
    CHANGE
    const frame = () => { frames++; if (began !== 0) requestAnimationFrame(frame); };
    requestAnimationFrame(frame);
});
JS);
}
