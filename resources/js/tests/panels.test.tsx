// @vitest-environment happy-dom
/** Panels, rendered without a server: what they show of a page, and what they ask for. */
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { FindingsData, PageStateData, PassData } from '../api/generated';
import { usePage } from '../bench/model/context';
import { AddPass } from '../bench/panels/passes/AddPass';
import { ClipChoice } from '../bench/panels/passes/ClipChoice';
import { FindingsList } from '../bench/panels/proof/FindingsPart';
import { OwnSettings } from '../bench/panels/passes/passKinds/OwnSettings';
import { PassSettings } from '../bench/panels/passes/PassSettings';
import { DeliverDialog } from '../bench/DeliverDialog';
import { asked, open, show, slide } from './showing';
import { pageState, shade } from './world';

const tint: PassData = { ...shade, content: { kind: 'tint', colour: '#102030', follows: null } };
const softness: PassData = { ...shade, content: { kind: 'softness', reach: 6 }, scope: { kind: 'behind', id: 3 } };
/** The settings of a pass as it is now, as the list of passes shows them. */
function Live({ id, own = false }: { id: string; own?: boolean }) {
    const pass = usePage((view) => view.records.pass[id]);
    return own ? (
        <OwnSettings id={id} content={pass.content} disabled={false} />
    ) : (
        <PassSettings id={id} pass={pass} below={null} />
    );
}

const withPasses = (pass: Record<string, PassData>): Partial<PageStateData> => ({
    records: { ...pageState().records, pass },
});

describe('hanging a pass', () => {
    const offered = (name: string, scopes: string[], content: PassData['content']) =>
        ({
            group: name === 'Rim' ? 'Light and shade' : 'Blur, glow and heat',
            title: name,
            scopes,
            pass: { name, content, mode: 'normal', opacity: 1 },
        }) as PageStateData['rules']['hangable'][0];
    const hangable = [
        offered('Rim', ['figure', 'behind', 'ink', 'page'], { kind: 'tint', colour: '#ffffff', follows: null }),
        offered('Soft', ['behind', 'page'], { kind: 'softness', reach: 6 }),
    ];
    const rules = { ...pageState().rules, hangable };
    const scopes = (): string[] =>
        within(screen.getByLabelText('Stays inside'))
            .getAllByRole('option')
            .map((one) => (one as HTMLOptionElement).value);

    it('offers the places where that kind of pass can lie, and hangs it there', () => {
        const done = vi.fn();
        show(open({ rules }), <AddPass figure={3} name="Oda" onDone={done} />);
        expect(screen.getAllByRole('group').map((one) => (one as HTMLOptGroupElement).label)).toEqual([
            'Light and shade',
            'Blur, glow and heat',
        ]);
        expect(scopes()).toEqual(['figure', 'behind', 'ink', 'page']);
        fireEvent.change(screen.getByLabelText('Kind of pass'), { target: { value: '1' } });
        expect(scopes()).toEqual(['behind', 'page']);
        fireEvent.click(screen.getByText('Hang this pass'));
        expect(asked).toMatchObject([
            { kind: 'pass.add', pass: { name: 'Soft', figure: 3, scope: { kind: 'behind', id: 3 } } },
        ]);
        expect(done).toHaveBeenCalledOnce();
    });
    it('over the page knows no figure to stay inside of or behind', () => {
        show(open({ rules }), <AddPass figure={0} name="" onDone={() => undefined} />);
        expect(scopes()).toEqual(['ink', 'page']);
        fireEvent.click(screen.getByText('Hang this pass'));
        expect(asked).toMatchObject([{ kind: 'pass.add', pass: { figure: 0, scope: { kind: 'page', id: 0 } } }]);
    });
});

describe('the settings of a pass', () => {
    it('show how it would look while a slider moves, and ask once it is let go', () => {
        const bench = open(withPasses({ rim00001: tint }));
        show(bench, <Live id="rim00001" />);
        fireEvent.change(screen.getByRole('slider', { name: /Opacity/ }), { target: { value: '40' } });
        expect([bench.session.view.records.pass.rim00001.opacity, asked]).toEqual([0.4, []]);
        slide('Opacity', 30);
        expect(asked).toEqual([{ kind: 'pass.change', id: 'rim00001', values: { opacity: 0.3 } }]);
    });
    it('of one that fills what it reaches leave out what is for paint', () => {
        show(
            open(withPasses({ soft0001: softness })),
            <PassSettings id="soft0001" pass={softness} below={['rim00001', tint]} />,
        );
        for (const name of ['Soften all of it', 'Its colours', 'What was painted', /^Merge/])
            expect(screen.queryByText(name)).toBeNull();
        expect(screen.getByText('Duplicate')).toBeTruthy();
        cleanup();
        show(
            open(withPasses({ rim00001: tint })),
            <PassSettings id="rim00001" pass={tint} below={['rim00002', tint]} />,
        );
        for (const name of ['Soften all of it', 'Its colours', 'Merge into Shade'])
            expect(screen.getByText(name)).toBeTruthy();
    });
    it('are locked while somebody else holds the page', () => {
        show(
            open(withPasses({ soft0001: softness }), false),
            <PassSettings id="soft0001" pass={softness} below={null} />,
        );
        expect(screen.getAllByRole('slider').every((one) => (one as HTMLInputElement).disabled)).toBe(true);
        expect((screen.getByText('Remove') as HTMLButtonElement).disabled).toBe(true);
    });
    it('keep softness behind a figure or over the page', () => {
        show(open(withPasses({ soft0001: softness })), <ClipChoice id="soft0001" pass={softness} />);
        const options = screen.getAllByRole('option').map((one) => (one as HTMLOptionElement).value);
        expect(options).toEqual(['behind 3', 'page 0']);
        fireEvent.change(screen.getByRole('combobox'), { target: { value: 'page 0' } });
        expect(asked).toEqual([{ kind: 'pass.change', id: 'soft0001', values: { scope: { kind: 'page', id: 0 } } }]);
    });
    it('of levels keep black below white, and turn the middle in factors', () => {
        const content = {
            kind: 'levels' as const,
            channel: 'all' as const,
            low: 0,
            high: 1,
            black: 0.2,
            white: 0.5,
            middle: 1,
        };
        show(open(withPasses({ levels01: { ...shade, content } })), <Live own id="levels01" />);
        slide('Black at', 80);
        slide('White at', 10);
        slide('Middle', 100);
        slide('Middle', -100);
        const values = asked.map((op) => (op.kind === 'pass.change' ? op.values.content : null));
        expect(values).toEqual([
            { ...content, black: 0.49 },
            { ...content, black: 0.49, white: 0.5 },
            { ...content, black: 0.49, white: 0.5, middle: 10 },
            { ...content, black: 0.49, white: 0.5, middle: 0.1 },
        ]);
    });
    it('of mist go to other patches, and round again after the last', () => {
        const content = {
            kind: 'mist' as const,
            colour: '#dfe6ee',
            size: 400,
            density: 0.8,
            seed: 65535,
            texture: 1,
            top: -1,
            bottom: 2,
            fade: 0.2,
        };
        show(
            open(withPasses({ mist0001: { ...shade, content } })),
            <OwnSettings id="mist0001" content={content} disabled={false} />,
        );
        fireEvent.click(screen.getByText('Other patches'));
        expect(asked).toMatchObject([{ values: { content: { seed: 0, colour: '#dfe6ee', size: 400 } } }]);
    });
});

describe('what is worth a look', () => {
    const found: FindingsData = {
        kind: 'small',
        title: 'The smallest regions',
        stage: 'flats',
        count: 70,
        findings: Array.from({ length: 8 }, (_, i) => ({
            words: `${i + 3} px`,
            labels: [i + 1],
            x: null,
            y: null,
            mend: null,
        })),
        mend: {
            title: 'Join all',
            what: 'Each joins a neighbour',
            op: { kind: 'flats.absorb', labels: [1, 2] } as never,
        },
    };
    const hidden: FindingsData = {
        ...found,
        kind: 'hidden',
        title: 'Passes that are rolled up',
        count: 1,
        findings: [
            {
                words: 'Rim',
                labels: [],
                x: null,
                y: null,
                mend: {
                    title: 'Let down',
                    what: '',
                    op: { kind: 'pass.change', id: 'rim00001', values: { visible: true } } as never,
                },
            },
        ],
        mend: null,
    };

    it('is told in its own words, counted, and mended by one press', () => {
        show(
            open(withPasses({ rim00001: { ...tint, visible: false } })),
            <FindingsList findings={[found, hidden]} nothing="Nothing." />,
        );
        expect(screen.getByText(/The smallest regions: 70/)).toBeTruthy();
        expect(
            [screen.queryByText('3 px'), screen.queryByText('8 px'), screen.getByText('and 65 more')].map(
                (one) => one !== null,
            ),
        ).toEqual([true, false, true]);
        fireEvent.click(screen.getByText('Join all'));
        fireEvent.click(screen.getByText('Let down'));
        expect(asked.map(({ kind }) => kind)).toEqual(['flats.absorb', 'pass.change']);
    });
    it('has no place to go to where it has none', () => {
        show(open(), <FindingsList findings={[hidden]} nothing="Nothing." />);
        expect(screen.queryByText('Show')).toBeNull();
    });
    it('says so when there is nothing, and when it is not known yet', () => {
        show(open(), <FindingsList findings={[]} nothing="Nothing is odd." />);
        expect(screen.getByText('Nothing is odd.')).toBeTruthy();
        cleanup();
        show(open(), <FindingsList findings={null} nothing="Nothing is odd." />);
        expect([screen.queryByText('Nothing is odd.'), screen.getByText('Looking …').tagName]).toEqual([null, 'P']);
    });
});

describe('a delivery', () => {
    it('is offered in every form the server knows, with the size it will have', () => {
        HTMLDialogElement.prototype.showModal = () => undefined;
        const bench = open();
        const deliver = vi.spyOn(bench.session.work, 'deliver').mockResolvedValue(null);
        const closed = vi.fn();
        show(bench, <DeliverDialog onClose={closed} />);
        expect(screen.getByText(/at full size: 600 × 400 px, 300 dpi/)).toBeTruthy();
        fireEvent.click(screen.getByText('Flats by figure'));
        expect([deliver.mock.calls, closed.mock.calls.length]).toEqual([[['flats-figures']], 1]);
    });
});
