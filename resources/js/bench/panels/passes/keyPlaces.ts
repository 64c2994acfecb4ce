import type { KeyboardCoordinateGetter } from '@dnd-kit/core';

const STEPS: Record<string, number> = { ArrowUp: -1, ArrowDown: 1 };

/**
 * Where an arrow takes what is carried in a list that runs down: onto the middle of the next place, as told by the
 * list's order. An unfolded slat is many times as tall as what is carried; by edges it could be left half-way to it for
 * good.
 */
export const placesByKeys =
    (items: string[]): KeyboardCoordinateGetter =>
    (event, { active, context }) => {
        const step = STEPS[event.code];
        const carried = context.collisionRect;
        if (step === undefined || carried === null) return;
        event.preventDefault();
        const at = items.indexOf(String(context.over?.id ?? active));
        const rect = context.droppableRects.get(items[at + step] ?? '');
        if (at < 0 || rect === undefined) return;
        return { x: rect.left, y: rect.top + (rect.height - carried.height) / 2 };
    };
