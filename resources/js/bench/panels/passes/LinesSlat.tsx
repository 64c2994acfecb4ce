/** The page's lines as the lowest slat: where their colour comes from, and whether they show. */
import { LINE_RULES, type LineRule } from '../../../api/generated';
import { mayColour, sizeOf } from '../../../page/store';
import { Choice } from '../../../ui/Choice';
import { isGoing } from '../../../api/tasks';
import { ColourField } from '../../../ui/ColourField';
import { usePage, useSession } from '../../model/context';
import { AT_FIRST, planOf } from '../../model/keyLight';
import { colourLines } from '../../../page/ops/ink/colourLines';

const RULES: Record<LineRule, string> = {
    black: 'black',
    tone: 'line tone of each material',
    beneath: 'darker than beneath',
    colour: 'one colour',
};

export function LinesSlat() {
    const session = useSession();
    const lines = usePage((view) => sizeOf(view)?.lines);
    const may = usePage(mayColour);
    if (lines === undefined) return null;
    return (
        <div
            className="slat mt-4 flex flex-col gap-1.5 border-t! border-t-base-300! p-2 text-[13px]"
            data-rolled={!lines.shown}
        >
            <div className="flex items-center justify-between">
                <span className="heading">Lines</span>
                <button
                    className="bare"
                    disabled={!may}
                    aria-pressed={!lines.shown}
                    onClick={() => session.apply(colourLines({ lines: { ...lines, shown: !lines.shown } }))}
                >
                    {lines.shown ? 'Roll up' : 'Let down'}
                </button>
            </div>
            <div className="flex gap-2">
                <Choice
                    label="Colour of the lines"
                    isLabelHidden
                    className="min-w-0 flex-1"
                    value={lines.rule}
                    options={LINE_RULES}
                    names={RULES}
                    disabled={!may}
                    onChange={(rule) => session.apply(colourLines({ lines: { ...lines, rule } }))}
                />
                {(lines.rule === 'colour' || lines.rule === 'beneath') && (
                    <ColourField
                        label="The lines’ one colour"
                        value={lines.colour}
                        disabled={!may}
                        onChange={(colour) => session.preview(colourLines({ lines: { ...lines, colour } }))}
                        onSettle={(colour) => session.apply(colourLines({ lines: { ...lines, colour } }))}
                    />
                )}
            </div>
            <Occlude />
        </div>
    );
}

function Occlude() {
    const session = useSession();
    const plan = usePage(({ palette }) => planOf(palette)?.plan ?? AT_FIRST);
    const isBlocked = usePage((view) => !mayColour(view) || isGoing(view.task));
    return (
        <button
            className="act self-start"
            disabled={isBlocked}
            title="Lineless work: the lines are hidden, and soft dark where they were and where shapes meet keeps things apart. It hangs as the occlusion of each figure; one undo has the lines back"
            onClick={() => void session.work.occludeLines(plan)}
        >
            Replace them by occlusion
        </button>
    );
}
