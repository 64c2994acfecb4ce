/** Forms that ask the server: what went wrong stands beside the field, and what was added is cleared. */
import { useState, type FormEvent, type ReactNode } from 'react';
import { Failure } from '../api/http';

export interface Asking {
    isBusy: boolean;
    error: Failure | null;
    /** What the server said of one field, or, of the first, what it said at all. */
    of(field: string, isFirst?: boolean): string | null;
    ask(work: () => Promise<unknown>): Promise<void>;
}

const asFailure = (reason: unknown): Failure =>
    reason instanceof Failure ? reason : new Failure('unreachable', 'Something went wrong. Try again.');

export function useAsking(): Asking {
    const [isBusy, setBusy] = useState(false);
    const [error, setError] = useState<Failure | null>(null);
    const ask = async (work: () => Promise<unknown>): Promise<void> => {
        setBusy(true);
        setError(null);
        try {
            await work();
        } catch (reason) {
            setError(asFailure(reason));
        } finally {
            setBusy(false);
        }
    };
    return {
        isBusy,
        error,
        ask,
        of: (field, isFirst = false) =>
            error?.of(field) ?? (isFirst && error !== null && !hasFields(error) ? error.message : null),
    };
}

const hasFields = (error: Failure): boolean => typeof error.details.errors === 'object';

export function Form({
    className,
    onSubmit,
    children,
}: {
    className?: string;
    onSubmit: () => void;
    children: ReactNode;
}) {
    const submit = (event: FormEvent): void => {
        event.preventDefault();
        onSubmit();
    };
    return (
        <form className={className} onSubmit={submit}>
            {children}
        </form>
    );
}

interface FieldProps {
    label: string;
    value: string;
    onChange: (value: string) => void;
    error: string | null;
    type?: string;
    autoComplete?: string;
    placeholder?: string;
    maxLength?: number;
    className?: string;
}

/** A labelled field with what is wrong with it below. */
export function Field({ label, value, onChange, error, className = '', maxLength = 190, ...rest }: FieldProps) {
    return (
        <label className="flex flex-col gap-1">
            <span className="quiet">{label}</span>
            <input
                className={`field ${className}`}
                required
                maxLength={maxLength}
                value={value}
                aria-invalid={error !== null}
                onChange={(event) => onChange(event.target.value)}
                {...rest}
            />
            {error !== null && (
                <span role="alert" className="max-w-72 text-error">
                    {error}
                </span>
            )}
        </label>
    );
}

interface OneLineProps {
    label: string;
    /** What the server calls the field. */
    field: string;
    button: string;
    placeholder: string;
    maxLength: number;
    className: string;
    /** What was typed is cleared when this is done. */
    onAdd: (text: string) => Promise<unknown>;
}

/** A form of one field that adds something. */
export function OneLineForm({ label, field, button, placeholder, maxLength, className, onAdd }: OneLineProps) {
    const [text, setText] = useState('');
    const { isBusy, of, ask } = useAsking();
    const add = (): void =>
        void ask(async () => {
            await onAdd(text);
            setText('');
        });
    return (
        <Form className={`flex items-end gap-2 ${className}`} onSubmit={add}>
            <Field
                label={label}
                className="w-60"
                maxLength={maxLength}
                placeholder={placeholder}
                value={text}
                onChange={setText}
                error={of(field, true)}
            />
            <button className="act" disabled={isBusy}>
                {button}
            </button>
        </Form>
    );
}
