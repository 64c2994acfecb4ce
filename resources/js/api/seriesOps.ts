/** Changes to what the pages of a series share: what each is asked with, and which part of the series answers it. */
import type {
    BoxedBrush,
    DerivationData,
    DerivationPart,
    LightPlanData,
    MoodLayerData,
    MoodState,
    NamedTone,
    PaletteState,
    PaletteVariantsState,
    PaletteVersionsState,
    SetupPass,
    SetupState,
    Tone,
} from '../api/generated';

export type OwnBrush = Pick<BoxedBrush, 'size' | 'hardness' | 'tip'>;

/** Tones with the colour each is pinned to; null: derived again. */
export type Tones = Partial<Record<Tone, string | null>>;

interface Op<Input, Shown> {
    input: Input;
    shown: Shown;
}

/** What is there already, as this window has seen it. */
interface Seen {
    version: number;
}

/** What a page makes of a mood: its layers, and the names of the light plan and of the variant it brings. */
export interface MadeMood {
    layers: MoodLayerData[];
    light: string;
    variant: string;
}

export interface SeriesOps {
    'figure.add': Op<{ name: string }, PaletteState>;
    /** `nearer`: by how many figures. */
    'figure.change': Op<{ figure: number; name?: string; nearer?: number; soft?: boolean }, PaletteState>;
    /** One of another series, as a copy. */
    'figure.copy': Op<{ figure: number }, PaletteState>;
    /** One of another series, as a link: it follows when that one changes. */
    'figure.link': Op<{ figure: number }, PaletteState>;
    'figure.unlink': Op<{ figure: number }, PaletteState>;
    'figure.retire': Op<{ figure: number; into: number | null }, PaletteState>;
    'material.add': Op<{ figure: number; name: string; base: string }, PaletteState>;
    'material.change': Op<
        Seen & { material: number; name?: string; figure?: number; place?: number; dials?: DerivationPart },
        PaletteState
    >;
    'material.copy': Op<{ figure: number; materials: number[] }, PaletteState>;
    'material.duplicate': Op<{ material: number }, PaletteState>;
    'material.retire': Op<Seen & { material: number; into: number | null }, PaletteState>;
    /** `ramp`: whether they are one material's tones, dark to light. */
    'colours.take': Op<{ figure: number; name: string; ramp: boolean; colours: readonly string[] }, PaletteState>;
    'tones.pin': Op<Seen & { material: number; tones: Tones }, PaletteState>;
    /** `more`: all there shall be beside the six, in their order. */
    'tones.name': Op<Seen & { material: number; more: NamedTone[] }, PaletteState>;
    'rule.change': Op<{ light: string; dials: DerivationData }, PaletteState>;
    /** The text of a palette file; the end of its name says the format. */
    'palette.import': Op<{ name: string; text: string }, PaletteState>;
    'light.add': Op<{ name: string; plan: LightPlanData }, PaletteState>;
    'light.change': Op<Seen & { light: number; name?: string; plan?: LightPlanData; retire?: boolean }, PaletteState>;
    'variant.add': Op<{ name: string }, PaletteVariantsState>;
    'variant.change': Op<
        Seen & { variant: number; name?: string; material?: number; tones?: Tones; retire?: boolean },
        PaletteVariantsState
    >;
    'version.restore': Op<{ version: number }, PaletteVersionsState>;
    'page.light': Op<{ of: number; light: number | null }, PaletteState>;
    'page.variant': Op<{ of: number; variant: number | null }, PaletteVariantsState>;
    /** `follows`: materials that follow the palette all the same. */
    'page.version': Op<{ of: number; version: number | null; follows: number[] }, PaletteVersionsState>;
    /** By its name and passes, or by the text of a file that holds both. */
    'setup.keep': Op<{ name: string; passes: SetupPass[] } | { text: string }, SetupState[]>;
    'setup.change': Op<{ setup: number; passes: SetupPass[] }, SetupState[]>;
    'setup.retire': Op<{ setup: number }, SetupState[]>;
    /** By its name and layers, or by the text of a file that holds both. */
    'mood.keep': Op<({ name: string } & MadeMood) | { text: string }, MoodState[]>;
    'mood.change': Op<{ mood: number; version: number } & MadeMood, MoodState[]>;
    'mood.retire': Op<{ mood: number }, MoodState[]>;
    'brush.keep': Op<{ name: string; brush: OwnBrush }, BoxedBrush[]>;
    'brush.retire': Op<{ brush: number }, BoxedBrush[]>;
}

export type SeriesOpKind = keyof SeriesOps;

export type SeriesOpInput<Kind extends SeriesOpKind> = SeriesOps[Kind]['input'];

/** What the server makes of a change. */
export interface SeriesAnswer<Shown> {
    title: string;
    /** The id of what is new; null when nothing is. */
    added: number | null;
    version: number;
    shown: Shown;
}
