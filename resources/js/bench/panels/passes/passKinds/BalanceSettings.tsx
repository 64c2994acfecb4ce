import type { BalanceData } from '../../../../api/generated';
import { Slide } from '../../../../ui/Slide';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

const PARTS = ['darks', 'middle', 'lights'] as const;
const NAMES: Record<(typeof PARTS)[number], string> = { darks: 'Darks', middle: 'Middle', lights: 'Lights' };
/** What each dial adds to red, green and blue. */
const AXES = ['toward red', 'toward green', 'toward blue'] as const;

export function BalanceSettings({ id, content, disabled }: SettingsProps<BalanceData>) {
    const { preview, apply } = useContent(id, content);
    const changed = (part: (typeof PARTS)[number], channel: number, at: number): Partial<BalanceData> => {
        const next: [number, number, number] = [...content[part]];
        next[channel] = at / 100;
        return { [part]: next };
    };
    return PARTS.map((part) => (
        <fieldset key={part} className="flex flex-col gap-1 border border-base-300 px-2 pb-1.5">
            <legend className="quiet px-1 text-[13px]">{NAMES[part]}</legend>
            {AXES.map((axis, channel) => {
                const value = Math.round(100 * content[part][channel]);
                return (
                    <Slide
                        key={axis}
                        wide
                        label={axis}
                        least={-100}
                        most={100}
                        value={value}
                        shown={`${value > 0 ? '+' : ''}${value} %`}
                        disabled={disabled}
                        onChange={(at) => preview(changed(part, channel, at))}
                        onSettle={(at) => apply(changed(part, channel, at))}
                    />
                );
            })}
        </fieldset>
    ));
}
