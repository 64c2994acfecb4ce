// @vitest-environment happy-dom
/** The marks beside titles that open the manual where it tells about them. */
import { readdirSync, readFileSync } from 'node:fs';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/client';
import { Fold } from '../ui/Fold';
import { anchorOf } from '../ui/manual';
import { Panel } from '../ui/Panel';

const chapter = (id: string, title: string, html: string) => ({ id, title, html, sections: [] });

/** Every place of the manual that the application's source names. */
function namedPlaces(): [string, string][] {
    const files = readdirSync('resources/js/bench', { recursive: true, encoding: 'utf8' });
    return files
        .filter((file) => file.endsWith('.tsx'))
        .flatMap((file) => {
            const source = readFileSync(`resources/js/bench/${file}`, 'utf8');
            return [...source.matchAll(/\bhelp=(?:"([^"]+)"|\{([^}]+)\})/g)].flatMap(([, plain, either]) =>
                plain !== undefined
                    ? [[file, plain] as [string, string]]
                    : [...either.matchAll(/'([^']+)'/g)].map(([, place]) => [file, place] as [string, string]),
            );
        });
}

afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
});

describe('the mark beside a title', () => {
    const manual = () =>
        vi
            .spyOn(api, 'manual')
            .mockResolvedValue([
                chapter('ink', 'Ink', '<p>Scans are cleaned.</p>'),
                chapter('flats', 'Flats', '<h2 id="bridge">Bridge</h2><p>It closes a gap.</p>'),
            ]);

    // That a press on it leaves the part open is seen in a browser (ManualTest).
    it('of a part is there while the part is open', () => {
        render(
            <Fold title="Bridges" help="flats#bridge">
                What is inside
            </Fold>,
        );
        const part = document.querySelector('details') as HTMLDetailsElement;
        const turn = (isOpen: boolean): void => {
            part.open = isOpen;
            fireEvent(part, new Event('toggle'));
        };
        expect(screen.queryByRole('button')).toBeNull();
        turn(true);
        expect(screen.getByRole('button', { name: 'The manual: Bridges' })).toBeTruthy();
        turn(false);
        expect(screen.queryByRole('button')).toBeNull();
    });

    it('of a panel opens another chapter than that of another panel', async () => {
        manual();
        render(
            <>
                <Panel title="Drawings" help="ink#drawings">
                    Two
                </Panel>
                <Panel title="Flats" help="flats">
                    Three
                </Panel>
            </>,
        );
        fireEvent.click(screen.getByRole('button', { name: 'The manual: Drawings' }));
        const help = document.querySelector('dialog') as HTMLDialogElement;
        expect(await within(help).findByText('Scans are cleaned.')).toBeTruthy();
    });

    it('leads to a chapter, and to a heading in it, that the manual has', () => {
        const places = namedPlaces();
        expect(places.length).toBeGreaterThan(14);
        for (const [file, place] of places) {
            const [id, heading] = place.split('#');
            const text = readFileSync(`docs/manual/${id}.md`, 'utf8');
            const headings = [...text.matchAll(/^## (.+)$/gm)].map(([, title]) => anchorOf(title));
            if (heading !== undefined) expect(headings, `${file}: ${place}`).toContain(heading);
        }
    });
});
