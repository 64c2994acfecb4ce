/** Colours that were picked: they become a material's ramp, or a figure's materials. */
import { useState } from 'react';
import { seriesOutbox } from '../page/seriesOutbox';
import type { FigureState } from '../api/generated';
import { toLab } from '../picture/cielab';
import { toColour } from '../picture/colour';
import { Field, Form, useAsking } from '../ui/Form';
import { MOST_OF_RAMP } from './limits';
import { UseLast, type ColourUse } from './ColoursInHand';
import type { Board } from './useBoard';

interface Props {
    board: Board;
    figures: readonly FigureState[];
    mayColour: boolean;
    /** Called when the palette has changed. */
    onTaken: () => void;
    /** What one colour can be used for here; null: nothing. */
    use?: ColourUse | null;
}

const lightness = (colour: string): number => toLab(toColour(colour))[0];

export function PickedColours({ board, figures, mayColour, onTaken, use = null }: Props) {
    const { colours } = board;
    if (colours.length === 0)
        return (
            <p className="quiet">
                Colours you pick wait here, until they become a ramp or materials. Take “Pick colours”, then press a
                picture.
            </p>
        );
    const last = colours[colours.length - 1];
    return (
        <section aria-label="Picked colours" className="flex flex-col gap-2">
            <div className="flex items-baseline justify-between">
                <h2 className="heading">Picked colours</h2>
                <button className="bare" onClick={() => board.setColours([])}>
                    Remove all
                </button>
            </div>
            <ul className="flex flex-wrap gap-1">
                {colours.map((colour) => (
                    <li key={colour}>
                        <button
                            className="figures flex flex-col items-center text-[12px]"
                            aria-label={`Remove ${colour}`}
                            title="Press to remove it"
                            onClick={() => board.setColours(colours.filter((one) => one !== colour))}
                        >
                            <span className="h-9 w-14" style={{ background: colour }} />
                            {colour}
                        </button>
                    </li>
                ))}
            </ul>
            {use !== null && <UseLast use={use} colour={last} />}
            {mayColour && <TakeForm board={board} figures={figures} onTaken={onTaken} />}
        </section>
    );
}

function TakeForm({ board, figures, onTaken }: Pick<Props, 'board' | 'figures' | 'onTaken'>) {
    const [figure, setFigure] = useState(figures[0]?.id ?? 0);
    const [name, setName] = useState('');
    const { isBusy, of, ask } = useAsking();
    const { colours } = board;
    const take = (isRamp: boolean): void =>
        void ask(async () => {
            const sorted = [...colours].sort((a, b) => lightness(a) - lightness(b));
            await seriesOutbox(board.series).apply('colours.take', { figure, name, ramp: isRamp, colours: sorted });
            board.setColours([]);
            setName('');
            onTaken();
        });
    if (figures.length === 0) return <p>Add a figure to the palette first; then these can become its materials.</p>;
    return (
        <Form className="flex flex-col gap-2" onSubmit={() => take(colours.length <= MOST_OF_RAMP)}>
            <label className="flex flex-col gap-1">
                <span className="quiet">Of which figure</span>
                <select className="field" value={figure} onChange={(event) => setFigure(Number(event.target.value))}>
                    {figures.map((one) => (
                        <option key={one.id} value={one.id}>
                            {one.name}
                        </option>
                    ))}
                </select>
            </label>
            <Field
                label="Name of the material"
                maxLength={80}
                value={name}
                onChange={setName}
                error={of('name', true)}
            />
            {colours.length > MOST_OF_RAMP && (
                <p className="quiet">A ramp has {MOST_OF_RAMP} tones at the most: remove some to make one.</p>
            )}
            <div className="flex flex-wrap gap-2">
                <button
                    type="button"
                    className="act main"
                    disabled={isBusy || name === '' || colours.length > MOST_OF_RAMP}
                    title="Dark to light, as one material"
                    onClick={() => take(true)}
                >
                    Make one ramp
                </button>
                <button
                    type="button"
                    className="act"
                    disabled={isBusy || name === ''}
                    title="Each colour is the base of one"
                    onClick={() => take(false)}
                >
                    {colours.length === 1 ? 'Make a material' : `Make ${colours.length} materials`}
                </button>
            </div>
        </Form>
    );
}
