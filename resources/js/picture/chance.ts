/** Numbers that look random and are always the same, 0..1; as core/src/Brush/Chance.php makes them. */
export function chance(seed: number, number: number): number {
    let mixed = (Math.imul(number, 0x27d4eb2d) + Math.imul(seed, 0x165667b1)) >>> 0;
    mixed = Math.imul(mixed ^ (mixed >>> 15), 0x2c1b3c6d) >>> 0;
    return ((mixed ^ (mixed >>> 13)) & 0xffff) / 0xffff;
}
