/** What can be set of a first light: each pass it lays has a dial, and one or two more behind it. */
import { useState } from 'react';
import { LIGHT_RANGES, type RoughDialsData } from '../../../api/generated';
import { Slide } from '../../../ui/Slide';

interface Dial {
    name: keyof RoughDialsData & string;
    label: string;
    title: string;
    /** Parts of one that the slider steps by. */
    steps: number;
    unit: '' | ' %' | ' px';
    /** Where less than could be set is worth the hand's way. */
    most?: number;
}

interface Part {
    main: Dial;
    more: Dial[];
}

const share = (name: Dial['name'], label: string, title: string): Dial => ({
    name,
    label,
    title,
    steps: 100,
    unit: ' %',
});
const pixels = (name: Dial['name'], label: string, most: number, title: string): Dial => ({
    name,
    label,
    title,
    steps: 1,
    unit: ' px',
    most,
});

const PARTS: Part[] = [
    {
        main: { ...share('reach', 'Shade', 'How far shade reaches into the light'), unit: '' },
        more: [
            share('soft', 'Soft', 'How soft the edge of a shade is'),
            share('folds', 'Folds', 'How much lines inside a material part it into bodies of their own'),
        ],
    },
    {
        main: share('deepFrom', 'Deep', 'How far behind the edge of the shade deep shade begins'),
        more: [share('deepSoft', 'Soft', 'How soft the edge of deep shade is')],
    },
    {
        main: pixels(
            'cast',
            'Cast',
            300,
            'How long the shadows are that nearer figures throw; those of a brim or an arm are shorter',
        ),
        more: [
            pixels('castSoft', 'Soft', 60, 'Over how much thrown shadows fade toward their outline'),
            pixels('ground', 'Ground', 200, 'How far whatever stands on this figure darkens it about its soles'),
        ],
    },
    {
        main: share(
            'corners',
            'Corners',
            'Occlusion: how far from where two bodies touch it is dark, in parts of the narrower one',
        ),
        more: [share('cornersDark', 'Dark', 'How dark it is where they touch')],
    },
    {
        main: share('bounceFrom', 'Bounce', 'How far behind the edge of the shade light bounces back'),
        more: [share('bounceOver', 'Over', 'How far behind that it is at its best')],
    },
    {
        main: share('lit', 'Light', 'How large the light is; 0: there is none'),
        more: [share('litSoft', 'Soft', 'How soft its edge is')],
    },
    {
        main: { ...share('glint', 'Glint', 'How large glints are; 0: there are none'), steps: 1000, unit: '' },
        more: [share('glintSoft', 'Soft', 'How soft the edge of a glint is')],
    },
    {
        main: pixels('rim', 'Rim', 40, 'How wide light from behind catches an edge'),
        more: [
            share(
                'rimInside',
                'Inside',
                'How much of a rim there is beside other bodies of the figure, not on its silhouette alone',
            ),
        ],
    },
    {
        main: share('lines', 'Lines', 'How much lines give way to the light tone where light falls on them'),
        more: [share('linesFrom', 'From', 'How squarely light must fall for lines to give way')],
    },
    {
        main: pixels('glow', 'Glow', 500, 'How far what shines glows'),
        more: [{ ...share('glowFall', 'Close', 'How much of the glow is close to what shines'), steps: 10, unit: '' }],
    },
    {
        main: share('snow', 'Snow', 'How much snow has settled on whatever faces up; 0: none'),
        more: [
            share('snowLumps', 'Lumps', 'How lumpy the rim of the snow is'),
            pixels('snowSize', 'Size', 200, 'How far it is from lump to lump'),
        ],
    },
];

interface Props {
    dials: RoughDialsData;
    onChange: (dials: RoughDialsData) => void;
}

export function LightDials({ dials, onChange }: Props) {
    const set = (name: Dial['name'], value: number): void => onChange({ ...dials, [name]: value });
    return (
        <div className="flex flex-col gap-0.5">
            {PARTS.map((part) => (
                <PartRow key={part.main.name} part={part} dials={dials} onSet={set} />
            ))}
        </div>
    );
}

interface RowProps {
    part: Part;
    dials: RoughDialsData;
    onSet: (name: Dial['name'], value: number) => void;
}

function PartRow({ part: { main, more }, dials, onSet }: RowProps) {
    const [isOpen, setOpen] = useState(false);
    return (
        <>
            <div className="flex items-center">
                <button
                    className="unfold"
                    aria-expanded={isOpen}
                    aria-label={`More of ${main.label}`}
                    title={more.map(({ label }) => label).join(', ')}
                    onClick={() => setOpen(!isOpen)}
                />
                <DialSlide dial={main} dials={dials} onSet={onSet} />
            </div>
            {isOpen && (
                <div className="mb-1 ml-6 flex flex-col gap-0.5">
                    {more.map((dial) => (
                        <DialSlide key={dial.name} dial={dial} dials={dials} onSet={onSet} />
                    ))}
                </div>
            )}
        </>
    );
}

function DialSlide({
    dial: { name, label, title, steps, unit, most },
    dials,
    onSet,
}: Omit<RowProps, 'part'> & { dial: Dial }) {
    const [least, greatest] = LIGHT_RANGES[name];
    const value = Math.round(dials[name] * steps);
    return (
        <Slide
            wide
            label={label}
            title={title}
            least={least * steps}
            most={(most ?? greatest) * steps}
            value={value}
            shown={`${value}${unit}`}
            onChange={(next) => onSet(name, next / steps)}
        />
    );
}
