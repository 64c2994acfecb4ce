/**
 * What a kind of change is in the browser: what it is called, what of it is shown before the server has answered, and
 * which records that concerns. A kind of change is a file here beside its class in core/src/Sheet/Ops, and a line in
 * registry.ts.
 */
import type { RecordsState } from '../../api/generated';
import type { PageView } from '../store';

export interface OpTraits<Input> {
    /** Names the change when it was refused: "The fill was not done." */
    name: string;
    /**
     * The records it changes, as "kind key": what is shown of them is newer than what the server says of an earlier
     * change.
     */
    touches?: (input: Input) => string[];
    /** The records it changes, as far as that is known here; what is left out comes with the server's answer. */
    show?: (input: Input, view: PageView) => Partial<RecordsState>;
    /** Its pixels are drawn in tiles before the server has them. */
    isDrawn?: true;
}

/** Called with its input, it gives the change as plain data, for PageSession.apply() and preview(). */
export interface OpKind<Kind extends string, Input extends object> extends Required<
    Omit<OpTraits<Input>, 'name' | 'isDrawn'>
> {
    (input: Input): { kind: Kind } & Input;
    readonly kind: Kind;
    readonly title: string;
    readonly isDrawn: boolean;
}

/** `opOf<Input>()(kind, traits)`: in two calls, so that the input is named and the kind is inferred. */
export const opOf =
    <Input extends object>() =>
    <const Kind extends string>(kind: Kind, { name, touches, show, isDrawn }: OpTraits<Input>): OpKind<Kind, Input> =>
        Object.assign((input: Input) => ({ kind, ...input }), {
            kind,
            title: name,
            touches: touches ?? (() => []),
            show: show ?? (() => ({})),
            isDrawn: isDrawn ?? false,
        });
