/** What an invitation leads to: somebody joins a series, or chooses a new password. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api } from '../api/client';
import type { InvitationState } from '../api/generated';
import { Field, Form, useAsking } from '../ui/Form';

export function Welcome({ onSignedIn }: { onSignedIn: () => Promise<void> }) {
    const { token = '' } = useParams();
    const { data: invitation, error } = useQuery({
        queryKey: ['invitation', token],
        queryFn: () => api.invitation(token),
        retry: false,
    });
    return (
        <main className="mx-auto flex min-h-full max-w-md flex-col justify-center gap-6 p-8">
            <header>
                <img src="/awning.svg" alt="" className="mb-3 h-12 w-12" />
                <h1 className="heading text-3xl">Awning</h1>
                {invitation !== undefined && <p className="mt-1 text-base">{greeting(invitation)}</p>}
            </header>
            {error !== null && (
                <p role="alert">
                    This link has been used, or is too old. Ask whoever sent it for a new one.{' '}
                    <a className="underline" href="/">
                        Go to the shelf
                    </a>
                </p>
            )}
            {invitation !== undefined && <Answer token={token} invitation={invitation} onSignedIn={onSignedIn} />}
        </main>
    );
}

function greeting({ kind, series, role, name }: InvitationState): string {
    if (kind === 'password') return `Choose a new password, ${name ?? ''}.`;
    return `You are asked to join ${series ?? 'a series'} as ${role ?? 'viewer'}.`;
}

interface AnswerProps {
    token: string;
    invitation: InvitationState;
    onSignedIn: () => Promise<void>;
}

function Answer({ token, invitation, onSignedIn }: AnswerProps) {
    const go = useNavigate();
    const [name, setName] = useState('');
    const [email, setEmail] = useState(invitation.email ?? '');
    const [password, setPassword] = useState('');
    const { isBusy, of, ask } = useAsking();
    const isJoining = invitation.kind === 'join';
    const answer = (): void =>
        void ask(async () => {
            await api.follow(token, { name, email, password });
            await onSignedIn();
            await go('/');
        });
    return (
        <Form className="rule-t flex flex-col gap-3 pt-5" onSubmit={answer}>
            {isJoining && (
                <Field
                    label="Your name, as others see it"
                    autoComplete="name"
                    maxLength={80}
                    value={name}
                    onChange={setName}
                    error={of('name')}
                />
            )}
            {isJoining && (
                <Field
                    label="Your e-mail address"
                    type="email"
                    autoComplete="username"
                    value={email}
                    onChange={setEmail}
                    error={of('email') ?? of('token', true)}
                />
            )}
            <Field
                label={`${isJoining ? 'A password' : 'New password'}, ${invitation.shortest} characters or more`}
                type="password"
                autoComplete="new-password"
                maxLength={200}
                value={password}
                onChange={setPassword}
                error={of('password') ?? (isJoining ? null : of('token', true))}
            />
            <button className="act main self-start" disabled={isBusy}>
                {isJoining ? 'Join' : 'Use this password'}
            </button>
        </Form>
    );
}
