/** An id of small letters and digits that nobody else will make. */
export const randomId = (length: number): string =>
    Array.from(crypto.getRandomValues(new Uint8Array(length)), (byte) => (byte % 36).toString(36)).join('');
