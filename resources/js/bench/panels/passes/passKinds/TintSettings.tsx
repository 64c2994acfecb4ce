import { useRef, useState } from 'react';
import { HexColorPicker } from 'react-colorful';
import { LIGHT_PARTS, type LightPart, type TintData } from '../../../../api/generated';
import { isRoughedIn } from '../../../../page/target';
import { tintOf } from '../../../../picture/passKinds/tint';
import { Choice } from '../../../../ui/Choice';
import { usePage } from '../../../model/context';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

/** Milliseconds the hand must rest on a colour before the server is told. */
const REST = 350;

const FOLLOWS: Record<LightPart | 'own', string> = {
    own: 'a colour of its own',
    light: 'the colour of the light',
    around: 'the ambient light',
    opposite: 'the opposite of the light',
    given: 'what the first light gives it',
};
const OWN_OR_LIGHT = ['own', ...LIGHT_PARTS] as const;

/** What a tint lays: its own colour, or one of the page's light, and then it changes with that. */
export function TintSettings({ id, content, disabled }: SettingsProps<TintData>) {
    const { apply } = useContent(id, content);
    const colour = usePage((view) => tintOf(content, view.palette));
    const follow = (part: LightPart | 'own'): void =>
        // What it showed stays its own colour.
        apply(part === 'own' ? { follows: null, colour } : { follows: part });
    return (
        <div className="flex flex-col gap-1.5">
            <div className="flex items-center gap-2">
                <span
                    className="h-5 w-7 shrink-0 border border-base-300"
                    style={{ background: colour }}
                    title={colour}
                />
                <Choice
                    label="Its colour"
                    isLabelHidden
                    className="min-w-0 flex-1"
                    value={content.follows ?? 'own'}
                    options={OWN_OR_LIGHT.filter((part) => part !== 'given' || isRoughedIn(id))}
                    names={FOLLOWS}
                    disabled={disabled}
                    onChange={follow}
                />
            </div>
            {content.follows === null && <OwnColour id={id} content={content} disabled={disabled} />}
        </div>
    );
}

function OwnColour({ id, content, disabled }: SettingsProps<TintData>) {
    const { colour } = content;
    const { preview, apply } = useContent(id, content);
    const [isOpen, setOpen] = useState(false);
    const timer = useRef(0);
    const change = (next: string): void => {
        preview({ colour: next });
        window.clearTimeout(timer.current);
        timer.current = window.setTimeout(() => apply({ colour: next }), REST);
    };
    return (
        <div>
            <button className="act" aria-expanded={isOpen} disabled={disabled} onClick={() => setOpen(!isOpen)}>
                Colour {colour}
            </button>
            {isOpen && (
                <div className="picker mt-1.5">
                    <HexColorPicker color={colour} onChange={change} />
                </div>
            )}
        </div>
    );
}
