/** Makes something of an object that is never altered, only replaced; once for each, and kept as long as that is. */
export function madeOnce<Of extends object, Made>(make: (of: Of) => Made): (of: Of) => Made {
    const known = new WeakMap<Of, Made>();
    return (of) => {
        const made = known.get(of) ?? make(of);
        known.set(of, made);
        return made;
    };
}
