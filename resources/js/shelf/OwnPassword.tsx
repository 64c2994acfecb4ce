import { useState } from 'react';
import { api } from '../api/client';
import { Dialog } from '../ui/Dialog';
import { Field, Form, useAsking } from '../ui/Form';

/** Changing one's own password. */
export function OwnPassword({ onClose }: { onClose: () => void }) {
    const [old, setOld] = useState('');
    const [password, setPassword] = useState('');
    const [isDone, setDone] = useState(false);
    const { isBusy, of, ask } = useAsking();
    const change = (): void =>
        void ask(async () => {
            await api.changePassword(old, password);
            setDone(true);
        });
    return (
        <Dialog title="Your password" onClose={onClose}>
            {isDone ? (
                <p role="status">It is changed. Other windows that were signed in with the old one are signed out.</p>
            ) : (
                <Form className="flex flex-col gap-3" onSubmit={change}>
                    <Field
                        label="The one you have now"
                        type="password"
                        autoComplete="current-password"
                        maxLength={200}
                        value={old}
                        onChange={setOld}
                        error={of('old', true)}
                    />
                    <Field
                        label="The new one"
                        type="password"
                        autoComplete="new-password"
                        maxLength={200}
                        value={password}
                        onChange={setPassword}
                        error={of('password')}
                    />
                    <p className="quiet">Forgotten it? Ask whoever runs this Awning for a link to choose a new one.</p>
                    <button className="act main self-start" disabled={isBusy}>
                        Change it
                    </button>
                </Form>
            )}
        </Dialog>
    );
}
