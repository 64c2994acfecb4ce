import { useState } from 'react';
import { api } from '../api/client';
import type { SessionState } from '../api/generated';
import { Field, Form, useAsking } from '../ui/Form';

export function SignIn({
    session,
    onSignedIn,
}: {
    session: SessionState;
    onSignedIn: (session: SessionState) => void;
}) {
    const [email, setEmail] = useState('');
    const [password, setPassword] = useState('');
    const { isBusy, of, ask } = useAsking();
    const enter = (sign: () => Promise<SessionState>): void => void ask(async () => onSignedIn(await sign()));
    return (
        <main className="mx-auto flex min-h-full max-w-md flex-col justify-center gap-6 p-8">
            <header>
                <img src="/awning.svg" alt="" className="mb-3 h-12 w-12" />
                <h1 className="heading text-3xl">Awning</h1>
                <p className="quiet mt-1 text-base">
                    Colour for comics: clean lines in, flats, light, and one palette for every page.
                </p>
            </header>
            {session.demo.length > 0 && (
                <section aria-label="Demo people">
                    <h2 className="heading mb-2">Try the demo as</h2>
                    <div className="flex flex-wrap gap-2">
                        {session.demo.map((person) => (
                            <button
                                key={person.id}
                                className="act main"
                                onClick={() => enter(() => api.signInDemo(person.id))}
                            >
                                {person.name}
                            </button>
                        ))}
                    </div>
                </section>
            )}
            <Form className="rule-t flex flex-col gap-3 pt-5" onSubmit={() => enter(() => api.signIn(email, password))}>
                <Field
                    label="E-mail address"
                    type="email"
                    autoComplete="username"
                    value={email}
                    onChange={setEmail}
                    error={of('email', true)}
                />
                <Field
                    label="Password"
                    type="password"
                    autoComplete="current-password"
                    value={password}
                    onChange={setPassword}
                    error={of('password')}
                />
                <button className="act self-start" disabled={isBusy}>
                    Sign in
                </button>
            </Form>
        </main>
    );
}
