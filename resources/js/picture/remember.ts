/** Keeps the newest of a map; what was touched last goes last. */
export function remember<V>(map: Map<string, V>, key: string, value: V, most: number): void {
    map.delete(key);
    map.set(key, value);
    for (const old of map.keys()) {
        if (map.size <= most) return;
        map.delete(old);
    }
}
