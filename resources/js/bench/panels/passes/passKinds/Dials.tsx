import type { ContentData } from '../../../../api/generated';
import { Slide } from '../../../../ui/Slide';
import type { Dial } from './dials';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

interface Props<Content extends ContentData> extends SettingsProps<Content> {
    dials: Dial<Content>[];
}

/** A slider for each of some numbers of a pass. */
export function Dials<Content extends ContentData>({ dials, id, content, disabled }: Props<Content>) {
    const { preview, apply } = useContent(id, content);
    return dials.map(({ name, label, title, least, most, steps, unit, scale }) => {
        const value = Math.round(steps * Number(content[name as keyof Content]));
        const change = (at: number): Partial<Content> => ({ [name]: at / steps }) as unknown as Partial<Content>;
        return (
            <Slide
                key={name}
                wide
                label={label}
                title={title}
                least={Math.round(steps * least)}
                most={Math.round(steps * most)}
                value={value}
                shown={`${Math.round((1000 * value * scale) / steps) / 1000}${unit}`}
                disabled={disabled}
                onChange={(at) => preview(change(at))}
                onSettle={(at) => apply(change(at))}
            />
        );
    });
}
