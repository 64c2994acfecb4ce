import type { ContentData } from '../../../../api/generated';
import { ColourField } from '../../../../ui/ColourField';
import type { SettingsProps } from './settings';
import { useContent } from './useContent';

/** Settings of a content that may be colours. */
type TextIn<Content> = { [Name in keyof Content]: Content[Name] extends string ? Name : never }[keyof Content] & string;

interface Props<Content extends ContentData> extends SettingsProps<Content> {
    name: TextIn<Content>;
    label: string;
}

/** One colour of a pass. */
export function ColourSetting<Content extends ContentData>({ id, content, disabled, name, label }: Props<Content>) {
    const { preview, apply } = useContent(id, content);
    const change = (colour: string): Partial<Content> => ({ [name]: colour }) as unknown as Partial<Content>;
    return (
        <ColourField
            label={label}
            value={String(content[name as keyof Content])}
            disabled={disabled}
            onChange={(colour) => preview(change(colour))}
            onSettle={(colour) => apply(change(colour))}
        />
    );
}
