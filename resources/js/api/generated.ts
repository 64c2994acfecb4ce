// Generated from PHP by './awning types'; './awning test' fails when it differs. Do not edit.

export const ROLES = ['owner', 'colourist', 'flatter', 'viewer'] as const;
export type Role = (typeof ROLES)[number];

export const TONES = ['deep', 'shade', 'base', 'light', 'glint', 'line', 'more-1', 'more-2', 'more-3', 'more-4'] as const;
export type Tone = (typeof TONES)[number];

export const TIP_KINDS = ['round', 'flat', 'bristle', 'grain', 'splatter', 'strands', 'sparkle', 'picture'] as const;
export type TipKind = (typeof TIP_KINDS)[number];

export const SHADE_HUES = ['opposite', 'blue'] as const;
export type ShadeHue = (typeof SHADE_HUES)[number];

export const LINE_COLOURS = ['auto', 'keep', 'blue', 'red', 'all'] as const;
export type LineColour = (typeof LINE_COLOURS)[number];

export const DRAWING_ROLES = ['ink', 'underdrawing'] as const;
export type DrawingRole = (typeof DRAWING_ROLES)[number];

export const LINE_RULES = ['black', 'tone', 'beneath', 'colour'] as const;
export type LineRule = (typeof LINE_RULES)[number];

export const CHANNELS = ['all', 'red', 'green', 'blue'] as const;
export type Channel = (typeof CHANNELS)[number];

export const PARTICLE_FORMS = ['streak', 'flake', 'crystal', 'petal', 'ripple', 'splash'] as const;
export type ParticleForm = (typeof PARTICLE_FORMS)[number];

export const BLEND_MODES = ['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'color-dodge', 'color-burn', 'hard-light', 'soft-light', 'difference', 'exclusion', 'hue', 'saturation', 'color', 'luminosity', 'plus-lighter'] as const;
export type BlendMode = (typeof BLEND_MODES)[number];

export const SCOPE_KINDS = ['page', 'ink', 'figure', 'material', 'behind'] as const;
export type ScopeKind = (typeof SCOPE_KINDS)[number];

export const LIGHT_PARTS = ['light', 'around', 'opposite', 'given'] as const;
export type LightPart = (typeof LIGHT_PARTS)[number];

export const BRIDGE_KINDS = ['found', 'kept', 'doubtful', 'refused'] as const;
export type BridgeKind = (typeof BRIDGE_KINDS)[number];

export const SOLIDS = ['round', 'flat', 'ball', 'tube', 'cloth', 'gem', 'shining'] as const;
export type Solid = (typeof SOLIDS)[number];

export const ROUGH_KINDS = ['shade', 'cast', 'deep', 'occlusion', 'bounce', 'light', 'glint', 'rim', 'lines', 'lamp1', 'lamp2', 'snow', 'snowshade', 'unseen', 'glow'] as const;
export type RoughKind = (typeof ROUGH_KINDS)[number];

export const ADVICE_KINDS = ['order', 'step', 'uneven', 'grey', 'bright', 'dark', 'strong', 'alike', 'sight'] as const;
export type AdviceKind = (typeof ADVICE_KINDS)[number];

export const COLOUR_SIGHTS = ['protan', 'deutan', 'tritan'] as const;
export type ColourSight = (typeof COLOUR_SIGHTS)[number];

export const FINDER_STAGES = ['flats', 'proof'] as const;
export type FinderStage = (typeof FINDER_STAGES)[number];

export const VERDICTS = ['exact', 'near', 'unknown'] as const;
export type Verdict = (typeof VERDICTS)[number];

export const SHAPE_USES = ['add', 'take', 'keep'] as const;
export type ShapeUse = (typeof SHAPE_USES)[number];

export const RAMP_FORMS = ['straight', 'round'] as const;
export type RampForm = (typeof RAMP_FORMS)[number];

/** Bounds that are told of beforehand. */
export const MOST = {"passesOfSetup":24,"directions":8} as const;

/** Least, most and usual of what is a number of a tip. */
export const TIP_RANGES = {"flow":[0.01,1,1],"spacing":[0.02,3,0.12],"scatter":[0,3,0],"angle":[-180,180,0],"turn":[0,1,0],"jitter":[0,1,0],"taper":[0,0.5,0],"wet":[0,1,0],"grain":[0,1,0]} as const;

/** Least, most and usual of each dial of a first light. */
export const LIGHT_RANGES = {"folds":[0,1,1],"soft":[0,1,0.12],"reach":[-0.8,0.8,0],"cast":[0,600,0],"rim":[0,60,6],"lines":[0,1,0],"glow":[0,800,160],"deepFrom":[0,1.5,0.45],"deepSoft":[0,1,0.12],"corners":[0.02,1,0.22],"cornersDark":[0,1,0.85],"castSoft":[0,60,0],"ground":[0,300,0],"bounceFrom":[0,1.5,0.2],"bounceOver":[0.05,1.5,0.6],"lit":[0,1,0.14],"litSoft":[0,1,0.36],"glint":[0,0.3,0.015],"glintSoft":[0,1,0.53],"rimInside":[0,1,0],"linesFrom":[-0.5,0.9,0.3],"glowFall":[1,6,3],"snow":[0,1,0],"snowLumps":[0,1,0.5],"snowSize":[0,200,40]} as const;

/** The forms in which a page leaves. */
export const DELIVERIES: readonly DeliveryOffer[] = [{"format":"png","title":"PNG","purpose":"for the screen, lossless"},{"format":"tiff","title":"TIFF","purpose":"for print"},{"format":"jpeg","title":"JPEG","purpose":"for the web, small"},{"format":"ora","title":"OpenRaster","purpose":"with its layers, for other programs"},{"format":"flats","title":"Flats alone","purpose":"a PNG of the base colours, nothing smoothed"},{"format":"flats-figures","title":"Flats by figure","purpose":"OpenRaster, a layer for each figure"},{"format":"flats-materials","title":"Flats by material","purpose":"OpenRaster, a layer for each material"}];

/** The kinds of change a page knows. */
export const OP_KINDS = ['fill', 'fill.inside', 'bridges', 'bridges.limit', 'flats.shape', 'flats.resize', 'flats.join', 'flats.lock', 'flats.absorb', 'flats.strays', 'colour.shift', 'variant.wear', 'stroke', 'paint.shape', 'paint.pour', 'paint.ramp', 'pass.soften', 'mask.soften', 'light.solid', 'light.before', 'light.flow', 'light.stand', 'paint.drag', 'paint.move', 'paint.place', 'pass.add', 'pass.change', 'pass.copy', 'pass.merge', 'pass.remove', 'group', 'pass.order', 'setup.hang', 'mood.bring', 'wash.around', 'mood.wear', 'mood.panel', 'mood.show', 'mood.letgo', 'setup.join', 'page.start', 'drawing.change', 'drawing.remove', 'ink.draw', 'lines.colour'] as const;

export type AbsorbInput = { labels: number[] };

export type AddPassInput = { id: string; pass: PassData };

export type AdjustmentData = LevelsData | CurveData | ShiftPassData | BalanceData;

export type AdviceData = { kind: AdviceKind; tone: Tone; amount: number; other: number | null; sight: ColourSight | null; mend: string | null; release: boolean };

export type AppliedState = { revision: number; title: string | null; tiles: TileNow[]; records: RecordNow[] };

export type AxisData = { x: number; y: number; turn: number };

export type BackLightData = { azimuth: number; colour: string };

export type BalanceData = { kind: 'balance'; darks: [number, number, number]; middle: [number, number, number]; lights: [number, number, number] };

export type BoxedBrush = { id: number; name: string; what: string; size: number; hardness: number; tip: TipData | null };

export type BridgeData = { x1: number; y1: number; x2: number; y2: number; kind: BridgeKind; score: number };

export type BridgeEnds = [number, number, number, number];

export type BridgesInput = { draw: BridgeEnds | null; bridge: number | null; as: BridgeKind | null };

export type BringWithMoodInput = { plan: number | null; variant: number | null };

export type BroughtData = { plan: number | null; variant: number | null };

export type BrushData = { size: number; hardness: number; opacity: number; smoothing: number; tip?: TipData };

export type ChangeDrawingInput = { id: string; values: DrawingValues };

export type CleanData = { flatten: number; paper: number | null; ink: number | null; weight: number; specks: number; pinholes: number; colours: LineColour; turn: number | null; hard: boolean; crop: boolean };

export type CloudsData = { kind: 'clouds'; colour: string; shade: string; heaps: HeapData[]; lumps: number; fullness: number; softness: number; contrast: number; light: number; height: number; seed: number };

export type ColourLinesInput = { lines: LinesData };

export type ContentData = ToneData | TintData | PaintData | FillingData | AdjustmentData | WeatherData | OpticsData;

export type CopyPassInput = { id: string; from: string };

export type CornerData = [number, number];

export type CropData = [number, number, number, number];

export type CurveData = { kind: 'curve'; channel: Channel; points: [number, number][] };

export type DeliveryOffer = { format: string; title: string; purpose: string };

export type DemoPerson = { id: number; name: string; email: string };

export type DerivationData = { toward: ShadeHue; turn: number; shade: number; deep: number; chroma: number; light: number; glint: number; pull: number };

export type DerivationPart = { toward?: ShadeHue; turn?: number; shade?: number; deep?: number; chroma?: number; light?: number; glint?: number; pull?: number };

export type DragPaintInput = { pass: string; brush: BrushData; points: PointData[]; inside: number[]; mirror: AxisData | null };

export type DrawInkInput = { strokes: DrawnData[] };

export type DrawingData = { original: number; name: string; width: number; height: number; clean: CleanData; place: PlacementData; role: DrawingRole; tint: string; strength: number; above: boolean; visible: boolean; order: number; picture: number; pictures: number; found: FoundData };

export type DrawingValues = { role?: DrawingRole; tint?: string; strength?: number; above?: boolean; visible?: boolean; order?: number };

export type DrawnData = { id: string; stroke: InkStrokeData | null };

export type FeedState = { revision: number; palette: number; holder: Holder | null; reset: boolean; tiles: TileNow[]; records: RecordNow[]; journal: JournalState | null; paletteState: PaletteState | null; again: number };

export type FigureState = { id: number; name: string; depth: number; soft: boolean; follows: string | null; materials: MaterialState[] };

export type FigureSurroundings = { figure: number; name: string; around: SurroundingsData };

export type FigureWash = { figure: number; colour: string; around: SurroundingsData };

export type FillInput = { labels: number[]; figure: number; material: number };

export type FillInsideInput = { outline: PlaceData[]; figure: number; material: number; unfilled: boolean };

export type FillingData = WashData | GradientData | CloudsData;

export type FindingData = { words: string; labels: number[]; x: number | null; y: number | null; mend: MendData | null };

export type FindingsData = { kind: string; title: string; stage: FinderStage; count: number; findings: FindingData[]; mend: MendData | null };

export type FlatPenData = { points: PointData[]; width: number };

export type FlowData = FlowPoint[][];

export type FlowInput = { labels: number[]; line: FlowPoint[] | null; more: boolean };

export type FlowPoint = [number, number];

export type FoundData = { paper: number; ink: number; askew: number | null; turned: number; specks: number; share: number; dropped: string[]; sheet: [number, number][] | null };

export type GlowData = { kind: 'glow'; threshold: number; reach: number };

export type GradientData = { kind: 'gradient'; form: 'linear' | 'round'; space: 'srgb' | 'oklab'; from: [number, number]; to: [number, number]; stops: GradientStopData[] };

export type GradientStopData = { at: number; colour: string; alpha: number };

export type GroupData = { isolated: boolean; mode: BlendMode; opacity: number };

export type GroupInput = { id: string; passes: string[]; how: GroupData | null };

export type HangSetupInput = { name: string; figure: number; scope: ScopeData; ids: string[]; passes: SetupPass[]; labels: number[]; setup: number };

export type HangablePass = { group: string; title: string; scopes: ScopeKind[]; pass: { name: string; content: ContentData; mode: BlendMode; opacity: number } };

export type HeapData = [number, number, number, number];

export type HeldMoodData = { name: string; brought: BroughtData; layers: Record<string, PassData>; groups: Record<string, GroupData> };

export type HistoryEntryState = { version: number; title: string; who: string | null; when: string; ramps: RampsState[] };

export type Holder = { id: number; name: string };

export type HoldingState = { page: number; number: number; title: string; version: number | null; follows: number[] };

export type ImportRow = { figure: string; material: string; does: 'add' | 'change' | 'leave'; before: Record<string, string> | null; after: Record<string, string> };

export type InFrontInput = { labels: number[]; inFront: boolean };

export type InkPointData = [number, number, number];

export type InkStrokeData = { points: InkPointData[]; weight: number; taper: number; steady: number; grain: number };

export type InvitationLink = { link: string; days: number };

export type InvitationState = { kind: 'join' | 'password'; series: string | null; role: Role | null; email: string | null; name: string | null; shortest: number };

export type JoinInput = { labels: number[] };

export type JoinSetupInput = { passes: string[]; setup: number; first: number; marked: number[] };

export type JournalState = { undo: string | null; redo: string | null; count: number };

export type KeptMaterial = { pinned: Record<Tone, string>; dials: DerivationPart | null; more?: Record<Tone, string> | null };

export type LampData = { x: number; y: number; reach: number; colour: string };

export type LampPlaceData = [number, number, number];

export type LayingInput = { pass: string; make: PassData | null; erase: boolean; colour: string | null; opacity: number; inside: number[] };

export type LeaseState = { held: boolean; holder: string | null };

export type LetGoMoodInput = { id: string };

export type LevelsData = { kind: 'levels'; channel: Channel; black: number; white: number; middle: number; low: number; high: number };

export type LightColoursData = { light: string; around: string; opposite: string };

export type LightPlanData = { azimuth: number; elevation: number; colour: string; ambient: string; dials: RoughDialsData; lamps: LampData[]; back: BackLightData | null; beside: boolean };

export type LightState = { id: number; name: string; version: number; plan: LightPlanData; colours: LightColoursData };

export type LightningData = { kind: 'lightning'; colour: string; from: [number, number]; to: [number, number]; width: number; jag: number; branches: number; glow: number; outline: number; outlineColour: string; seed: number };

export type LimitInput = { longest: number };

export type LinesData = { rule: LineRule; colour: string; shown: boolean };

export type LockInput = { labels: number[]; locked: boolean };

export type MainColour = { colour: string; share: number };

export type ManualChapter = { id: string; title: string; html: string; sections: ManualSection[] };

export type ManualSection = { id: string; title: string; text: string };

export type MaskData = { pass: string; outside: boolean };

export type MatchReport = { name: string; width: number; height: number; rows: MatchedData[] };

export type MatchedData = { colour: string; share: number; tone: string; deltaE: number; verdict: Verdict; x: number; y: number };

export type MaterialState = { id: number; figure: number; name: string; version: number; tones: Record<Tone, string>; pinned: Tone[]; steps: number[]; dials: DerivationPart | null; more: { tone: Tone; name: string }[] };

export type MeasuredMoodState = { name: string; layers: MoodLayerData[] };

export type MemberState = { id: number; name: string; role: Role };

export type MendData = { title: string; what: string; op: { kind: string } };

export type MergePassInput = { id: string; into: string; copy: string | null };

export type MistData = { kind: 'mist'; colour: string; size: number; density: number; seed: number; texture: number; top: number; bottom: number; fade: number };

export type MoodFollowerState = { page: number; number: number; title: string; isChanged: boolean };

export type MoodLayerData = { name: string; content: ContentData; mode: string; opacity: number };

export type MoodState = { key: string; id: number | null; version: number; name: string; layers: MoodLayerData[]; light: string; variant: string };

export type MovePaintInput = { pass: string; outline: PlaceData[] | null; by: PlaceData; turn: number; scale: PlaceData; copy: boolean; into: string | null; mirror: AxisData | null };

export type MovedTone = { material: number; name: string; tone: Tone; before: string; after: string; deltaE: number };

export type NamedTone = { tone: Tone; name: string; colour: string };

export type OfferedPass = { title: string; scopes: ScopeKind[]; pass: { name: string; content: ContentData; mode: BlendMode; opacity: number } };

export type OpticsData = SoftnessData | GlowData | ShimmerData;

export type OrderPassesInput = { passes: PassPlaceData[] };

export type PageCardState = { id: number; number: number; title: string; revision: number; regions: number; unfilled: number; passes: number; waiting: boolean; scan: number | null; holder: string | null };

export type PageColoursState = { page: number; number: number; materials: Record<string, SeenState> };

export type PageOutcome = { page: number; number: number; done: boolean; why: string };

export type PageStateData = { id: number; number: number; title: string; revision: number; series: SeriesHead; role: Role | null; records: RecordsState; tiles: TileNames[]; palette: PaletteState; journal: JournalState; rules: PassRulesData; brushes: BoxedBrush[]; waiting: WaitingScan | null };

export type PageVariantState = { page: number; number: number; title: string; variant: number | null };

export type PagesReport = { outcomes: PageOutcome[] };

export type PaintData = { kind: 'paint' };

export type PaintRampInput = { laying: LayingInput; from: PlaceData; to: PlaceData; form: RampForm; over: RampOverData[]; mirror: AxisData | null };

export type PaintShapeInput = { laying: LayingInput; outline: PlaceData[]; mirror: AxisData | null };

export type PaintedState = { entry: number; title: string; who: string | null; when: string };

export type PaletteOverviewState = { id: number; name: string; mayColour: boolean; palette: PaletteState; uses: Record<string, UseState>; advice: Record<string, AdviceData[]>; undo: string | null; redo: string | null };

export type PaletteState = { version: number; light: string; dials: DerivationData; figures: FigureState[]; standIns: StandInsState; held: string | null; variant: string | null; variants: VariantTonesState[]; under: UnderState[]; lights: LightState[]; plan: number | null; lightColours: LightColoursData };

export type PaletteVariantsState = { variants: VariantState[]; pages: PageVariantState[] };

export type PaletteVersionState = { id: number; name: string; version: number; who: string | null; when: string; moved: MovedTone[] };

export type PaletteVersionsState = { versions: PaletteVersionState[]; pages: HoldingState[] };

export type ParticlesData = { kind: 'particles'; colour: string; form: ParticleForm; spacing: number; size: number; length: number; angle: number; spread: number; softness: number; variety: number; near: number; middle: number; far: number; outline: number; outlineColour: string; lamps: LampPlaceData[]; dim: number; seed: number };

export type PassData = { name: string; figure: number; content: ContentData; scope: ScopeData; mode: BlendMode; opacity: number; visible: boolean; order: number; group: string | null; mask: MaskData | null; turn: TurnData | null; setup: SetupPlaceData | null };

export type PassPlaceData = { id: string; order: number };

export type PassRulesData = { tones: TonePassRule[]; hangable: HangablePass[]; orderStep: number };

export type PersonState = { id: number; name: string };

export type PlaceData = [number, number];

export type PlacePaintInput = { pass: string; make: PassData | null; page: number; from: string; outline: PlaceData[]; by: PlaceData };

export type PlacementData = { x: number; y: number; scale: number; turn: number; mirror: boolean; corners: CornerData[] | null; crop: CropData | null; covers: boolean };

export type PointData = [number, number, number];

export type PourPaintInput = { laying: LayingInput; labels: number[]; fade: number };

export type RampOverData = { laying: LayingInput; part: number };

export type RampsState = { name: string; before: Record<Tone, string> | null; after: Record<Tone, string> | null };

export type RangeData = { from: number; to: number; soft: number };

export type RecordNow = [string, string, Record<string, unknown> | null];

export type RecordsState = { page: Record<string, SizeData>; region: Record<string, RegionData>; bridge: Record<string, BridgeData>; pass: Record<string, PassData>; group: Record<string, GroupData>; drawing: Record<string, DrawingData>; stroke: Record<string, InkStrokeData>; shift: Record<string, ShiftData>; held: Record<string, HeldMoodData> };

export type ReferenceState = { id: number; page: number | null; name: string; width: number | null; height: number | null; colours: Record<string, MainColour[]>; x: number; y: number; across: number; mirrored: boolean; grey: boolean; trouble: string | null };

export type RegionData = { figure: number; material: number; area: number; x: number; y: number; locked: boolean; shift: string | null; variant: number | null; solid: Solid | null; inFront: boolean; flow: FlowData | null; plan: number | null; mood: BroughtData | null };

export type RemoveDrawingInput = { id: string };

export type RemovePassInput = { id: string };

export type ResizeInput = { labels: number[]; by: number };

export type RoughDialsData = { folds: number; soft: number; reach: number; cast: number; rim: number; lines: number; glow: number; deepFrom: number; deepSoft: number; corners: number; cornersDark: number; castSoft: number; ground: number; bounceFrom: number; bounceOver: number; lit: number; litSoft: number; glint: number; glintSoft: number; rimInside: number; linesFrom: number; glowFall: number; snow: number; snowLumps: number; snowSize: number };

export type ScopeData = { kind: ScopeKind; id: number };

export type SeenState = { flat: string; lit: string; seen: string; share: number; x: number; y: number };

export type SeriesCard = { id: number; name: string; role: Role; pages: PageCardState[] };

export type SeriesHead = { id: number; name: string; readWidth: number; readPpi: number };

export type SeriesState = { id: number; name: string; role: Role; pages: PageCardState[]; palette: PaletteState; people: MemberState[] };

export type SessionState = { user: PersonState | null; demo: DemoPerson[] };

export type SetupFollowerState = { page: number; number: number; figures: string[] };

export type SetupPass = { name: string; content: ContentData; mode: BlendMode; opacity: number; turn: TurnData | null; marks: string | null; rough: RoughKind | null };

export type SetupPlaceData = { setup: number; place: number; marked: number[] };

export type SetupState = { id: number; name: string; passes: SetupPass[] };

export type ShaftsData = { kind: 'shafts'; colour: string; from: [number, number]; to: [number, number]; spread: number; count: number; softness: number; variety: number; seed: number };

export type ShapeInput = { use: ShapeUse; outline: PlaceData[] | null; pen: FlatPenData | null; figure: number; material: number; into: number | null };

export type ShiftData = { material: number; lightness: number; chroma: number; hue: number };

export type ShiftInput = { id: string; labels: number[]; values: ShiftData };

export type ShiftPassData = { kind: 'shift'; lightness: number; chroma: number; hue: number; hues: RangeData | null; tones: RangeData | null };

export type ShimmerData = { kind: 'shimmer'; height: number; length: number; angle: number; seed: number };

export type ShowHeldMoodInput = { id: string; hold: string | null };

export type Sixteenths = [number[], number[], number[], number[]];

export type SizeData = { width: number; height: number; dpi: number; behind: boolean; lines: LinesData; mood: string; moodPlan: number | null; moodVariant: number | null };

export type SoftenMaskInput = { id: string; mask: string; by: number };

export type SoftenPassInput = { pass: string; by: number; brush: BrushData | null; points: PointData[]; inside: number[]; mirror: AxisData | null; apart: boolean };

export type SoftnessData = { kind: 'softness'; reach: number };

export type SolidsInput = { labels: number[]; solid: Solid };

export type StandInsState = { materials: Record<string, number>; figures: Record<string, number> };

export type StandUnderInput = { labels: number[]; plan: number | null };

export type StartPageInput = { width: number; height: number; dpi: number };

export type StraysInput = { places: PlaceData[] };

export type StrokeInput = { pass: string; points: PointData[]; brush: BrushData; erase: boolean; colour: string | null; make: PassData | null; inside: number[]; mirror: AxisData | null };

export type SurroundingsData = [number, number][];

export type TakenReport = { name: string; right: number; down: number; rows: TakenRow[] };

export type TakenRow = { colour: string; share: number; verdict: 'exact' | 'near' | 'new'; difference: number | null; material: number | null; labels: number[] };

export type TaskQuestion = { kind: 'cut'; share: number; original: number };

export type TaskState = { id: number; kind: string; state: 'waiting' | 'working' | 'done' | 'failed' | 'stopped'; progress: number; message: string; download: string | null; name: string | null; question: TaskQuestion | null; report: TakenReport | null; match: MatchReport | null; outcomes: PageOutcome[] | null };

export type TileNames = Record<string, Record<string, string>>;

export type TileNow = [string, number, number, string | null];

export type TintData = { kind: 'tint'; colour: string; follows: LightPart | null };

export type TipData = { kind: TipKind; seed: number; flow: number; spacing: number; scatter: number; along: boolean; angle: number; turn: number; jitter: number; taper: number; sizeBy: number[]; flowBy: number[]; opacityBy: number[]; wet: number; grain: number; picture: string | null };

export type ToneData = { kind: 'tone'; tone: Tone };

export type TonePassRule = { tone: Tone; name: string; scope: ScopeKind };

export type TriedLightState = { level: number; x: number; y: number; width: number; height: number; passes: Record<string, TriedPassState> };

export type TriedPassState = { spec: PassData; coverage: string };

export type TurnData = { lightness: number; chroma: number; hue: number };

export type UnderState = { plan: number; materials: Record<string, Record<Tone, string>>; variants: VariantTonesState[] };

export type UseState = { regions: number; pages: number[]; width: number | null; place: { page: number; x: number; y: number } | null };

export type VariantMaterial = { own: Tone[]; tones: Record<Tone, string> };

export type VariantState = { id: number; name: string; version: number; materials: Record<string, VariantMaterial> };

export type VariantTones = Record<string, Record<Tone, string>>;

export type VariantTonesState = { id: number; name: string; materials: Record<string, Record<Tone, string>> };

export type WaitingScan = { id: number; name: string };

export type WashData = { kind: 'wash'; colour: string; around?: SurroundingsData };

export type WashSurroundingsInput = { washes: FigureWash[]; strength: number };

export type WearInput = { labels: number[]; variant: number | null };

export type WearMoodInput = { name: string; layers: MoodLayerData[]; ids: string[]; plan?: number | null; variant?: number | null; hold?: string | null };

export type WearPanelMoodInput = { name: string; layers: MoodLayerData[]; ids: string[]; cover: string; labels: number[]; plan?: number | null; variant?: number | null };

export type WeatherData = MistData | ParticlesData | LightningData | ShaftsData;
