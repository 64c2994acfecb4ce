import type { MistData } from '../../../../api/generated';
import { ColourField } from '../../../../ui/ColourField';
import { Slide } from '../../../../ui/Slide';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

const SEEDS = 65536;

export function MistSettings({ id, content, disabled }: SettingsProps<MistData>) {
    const { preview, apply } = useContent(id, content);
    const density = Math.round(100 * content.density);
    return (
        <>
            <div className="flex items-center gap-2">
                <ColourField
                    label="Colour"
                    value={content.colour}
                    disabled={disabled}
                    onChange={(colour) => preview({ colour })}
                    onSettle={(colour) => apply({ colour })}
                />
                <button
                    className="act"
                    disabled={disabled}
                    title="The patches lie in other places"
                    onClick={() => apply({ seed: (content.seed + 1) % SEEDS })}
                >
                    Other patches
                </button>
            </div>
            <Slide
                wide
                label="Size"
                least={8}
                most={2000}
                value={Math.round(content.size)}
                shown={`${Math.round(content.size)} px`}
                disabled={disabled}
                onChange={(size) => preview({ size })}
                onSettle={(size) => apply({ size })}
            />
            <Slide
                wide
                label="Density"
                most={100}
                value={density}
                shown={`${density} %`}
                disabled={disabled}
                onChange={(at) => preview({ density: at / 100 })}
                onSettle={(at) => apply({ density: at / 100 })}
            />
        </>
    );
}
