import { useState, type FormEvent } from 'react';
import { api } from '../api/client';
import type { SessionState } from '../api/types';

export function SignIn({ session, onSignedIn }: { session: SessionState; onSignedIn: (session: SessionState) => void }) {
    const [email, setEmail] = useState('');
    const [password, setPassword] = useState('');
    const [error, setError] = useState<string | null>(null);
    const attempt = (sign: Promise<SessionState>): void => {
        sign.then(onSignedIn, (reason: Error) => setError(reason.message));
    };
    const submit = (event: FormEvent): void => {
        event.preventDefault();
        attempt(api.signIn(email, password));
    };
    return (
        <main className="mx-auto flex min-h-full max-w-md flex-col justify-center gap-6 p-8">
            <header>
                <img src="/awning.svg" alt="" className="mb-3 h-12 w-12" />
                <h1 className="heading text-3xl">Awning</h1>
                <p className="quiet mt-1 text-base">Colour for comics: clean lines in, flats, light, and one palette for every page.</p>
            </header>
            {session.demo.length > 0 && (
                <section aria-label="Demo people">
                    <h2 className="heading mb-2">Try the demo as</h2>
                    <div className="flex flex-wrap gap-2">
                        {session.demo.map((person) => (
                            <button key={person.id} className="act main" onClick={() => attempt(api.signInDemo(person.id))}>{person.name}</button>
                        ))}
                    </div>
                </section>
            )}
            <form className="rule-t flex flex-col gap-3 pt-5" onSubmit={submit}>
                <label className="flex flex-col gap-1">E-mail address<input className="field" type="email" autoComplete="username" required value={email} onChange={(e) => setEmail(e.target.value)} /></label>
                <label className="flex flex-col gap-1">Password<input className="field" type="password" autoComplete="current-password" required value={password} onChange={(e) => setPassword(e.target.value)} /></label>
                {error !== null && <p role="alert" className="text-error">{error}</p>}
                <button className="act self-start">Sign in</button>
            </form>
        </main>
    );
}
