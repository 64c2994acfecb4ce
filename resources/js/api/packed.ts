/**
 * Many tiles in one answer: for each a length, a name of 32 bytes, and the deflated bytes; length 0 is an empty tile.
 */
export interface NamedTile {
    name: string;
    bytes: Uint8Array;
}

const HEAD = 36;

export function unpackTiles(answer: ArrayBuffer): Promise<(NamedTile | null)[]> {
    const view = new DataView(answer);
    const tiles: Promise<NamedTile | null>[] = [];
    for (let at = 0; at + HEAD <= answer.byteLength;) {
        const length = view.getUint32(at);
        const name = hex(new Uint8Array(answer, at + 4, 32));
        const packed = new Uint8Array(answer, at + HEAD, length);
        tiles.push(length === 0 ? Promise.resolve(null) : inflate(packed).then((bytes) => ({ name, bytes })));
        at += HEAD + length;
    }
    return Promise.all(tiles);
}

function hex(bytes: Uint8Array): string {
    return Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
}

export async function inflate(packed: Uint8Array<ArrayBuffer>): Promise<Uint8Array> {
    const stream = new Blob([packed]).stream().pipeThrough(new DecompressionStream('deflate'));
    return new Uint8Array(await new Response(stream).arrayBuffer());
}
