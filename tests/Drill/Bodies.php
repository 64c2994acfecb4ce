<?php

declare(strict_types=1);

namespace Tests\Drill;

use App\Desk\SeriesOps\SeriesOpKinds;
use App\Models\Figure;
use App\Models\Invitation;
use App\Models\Material;
use App\Models\Page;
use App\Models\PaletteVariant;
use App\Models\ReferencePicture;
use App\Models\Series;
use App\Models\SeriesBrush;
use App\Models\SeriesLight;
use App\Models\SeriesMood;
use App\Models\SeriesSetup;
use App\Models\Task;
use App\Models\User;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Page\Data;
use Awning\Core\Sheet\OpKinds;
use RuntimeException;

/** For every route what it takes, and for every op: bodies as a window sends them. */
final class Bodies
{
    private const OUTLINE = [[100, 100], [200, 110], [180, 220]];

    private readonly Figure $figure;

    private readonly Material $material;

    private readonly Material $other;

    /** The kind of work whose body was given last. */
    private string $kind = 'deliver';

    /** @var array<string, mixed> what addresses are made with, by parameter */
    public readonly array $parameters;

    public function __construct(private readonly World $world, private readonly Page $page)
    {
        $series = $world->series;
        [$this->material, $this->other] = $world->materials;
        $this->figure = Figure::query()->findOrFail($this->material->figure_id);
        $mira = User::query()->where('email', 'mira@drill.example')->sole();
        $light = SeriesLight::query()->create([
            'series_id' => $series->id,
            'name' => 'Noon',
            'plan' => $this->plan(),
        ]);
        $setup = SeriesSetup::query()->create([
            'series_id' => $series->id,
            'name' => 'Rust',
            'passes' => [$this->hung()],
        ]);
        $brush = SeriesBrush::query()->create([
            'series_id' => $series->id,
            'name' => 'Twig',
            'brush' => ['size' => 9.0, 'hardness' => 1.0, 'tip' => null],
        ]);
        $variant = PaletteVariant::query()->create(['series_id' => $series->id, 'name' => 'Wet', 'tones' => []]);
        $version = \App\Models\PaletteVersion::query()->create([
            'series_id' => $series->id,
            'name' => 'Book 1',
            'version' => 1,
            'palette' => ['light' => '#ffffff', 'dials' => null, 'materials' => []],
        ]);
        $original = $page->originals()->firstOrFail();
        $reference = ReferencePicture::query()->create([
            'series_id' => $series->id,
            'original_id' => $original->id,
            'name' => 'A picture',
            'x' => 0,
            'y' => 0,
        ]);
        $task = Task::query()->where('page_id', $page->id)->firstOrFail();
        $this->parameters = [
            'series' => $series->id,
            'page' => $page->id,
            'user' => $mira->id,
            'figure' => $this->figure->id,
            'material' => $this->material->id,
            'task' => $task->id,
            'hash' => str_repeat('a', 64),
            'token' => Invitation::issue(['series_id' => $series->id]),
            'format' => 'csv',
            'version' => $version->id,
            'variant' => $variant->id,
            'light' => $light->id,
            'setup' => $setup->id,
            'brush' => $brush->id,
            'reference' => $reference->id,
            'number' => 0,
            'original' => $original->id,
            'drawing' => 'drawing1',
            'pass' => 'drillpass1',
            'any?' => 'series',
            'picture' => 'shelf.png',
            'mood' => 'ready3',
            'moodrow' => SeriesMood::query()->create([
                'series_id' => $series->id,
                'name' => 'Haze',
                'layers' => [['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => '#dfe5ea']]],
            ])->id,
        ];
    }

    /** What an address has in this place. */
    public function parameter(string $name): string
    {
        return $name === 'kind' ? $this->kind : (string) $this->parameters[$name];
    }

    /** @return array<string, mixed> */
    private function plan(): array
    {
        return LightPlan::fromData(new Data(['azimuth' => 300, 'elevation' => 45]))->toData();
    }

    /** @return array<string, mixed> a pass of a setup */
    private function hung(): array
    {
        return [
            'name' => 'Rust',
            'content' => ['kind' => 'tint', 'colour' => '#803010', 'follows' => null],
            'mode' => 'multiply',
            'opacity' => 0.5,
        ];
    }

    /** @return array<string, mixed> */
    private function pass(): array
    {
        return [
            'name' => 'Shade',
            'figure' => $this->figure->id,
            'content' => ['kind' => 'tone', 'tone' => 'shade'],
            'scope' => ['kind' => 'figure', 'id' => $this->figure->id],
            'mode' => 'normal',
            'opacity' => 1.0,
        ];
    }

    /** @return array<string, array<string, mixed>> an op of every kind there is */
    public function ops(): array
    {
        $brush = ['size' => 30, 'hardness' => 0.5, 'opacity' => 1, 'smoothing' => 0];
        $points = [[100, 100, 1], [180, 160, 0.7]];
        $laying = ['pass' => 'drillpass1', 'make' => $this->pass(), 'opacity' => 0.5, 'inside' => []];
        $fill = ['figure' => $this->figure->id, 'material' => $this->material->id];
        $air = ['kind' => 'wash', 'colour' => '#dfe5ea'];
        $fog = [
            'name' => 'Fog',
            'layers' => [['name' => 'Air', 'content' => $air, 'mode' => 'screen', 'opacity' => 0.4]],
        ];
        $mirror = ['x' => 300.0, 'y' => 200.0, 'turn' => 0.1];
        $ops = [
            'fill' => ['labels' => [1, 2]] + $fill,
            'fill.inside' => ['outline' => self::OUTLINE, 'unfilled' => true] + $fill,
            'bridges' => ['draw' => [50, 60, 70, 80]],
            'bridges.limit' => ['longest' => 30.5],
            'flats.shape' => ['use' => 'add', 'outline' => self::OUTLINE, 'pen' => null] + $fill,
            'flats.resize' => ['labels' => [2], 'by' => 2],
            'flats.join' => ['labels' => [2, 3]],
            'flats.lock' => ['labels' => [2], 'locked' => false],
            'flats.absorb' => ['labels' => [4]],
            'flats.strays' => ['places' => [[5, 5]]],
            'colour.shift' => [
                'id' => 'drillshift1',
                'labels' => [2],
                'values' => ['material' => $this->material->id, 'lightness' => 0.1, 'chroma' => 1.1, 'hue' => 5],
            ],
            'variant.wear' => ['labels' => [2], 'variant' => $this->parameters['variant']],
            'stroke' => [
                'pass' => 'drillpass1',
                'points' => $points,
                'erase' => false,
                'brush' => $brush,
                'make' => $this->pass(),
                'mirror' => $mirror,
            ],
            'paint.shape' => ['laying' => $laying, 'outline' => self::OUTLINE, 'mirror' => $mirror],
            'paint.pour' => ['laying' => $laying, 'labels' => [2], 'fade' => 3],
            'paint.ramp' => [
                'laying' => $laying,
                'from' => [10, 10],
                'to' => [200, 200],
                'form' => 'round',
                'over' => [],
            ],
            'pass.soften' => [
                'pass' => 'drillpass1',
                'by' => 2.5,
                'points' => $points,
                'brush' => $brush,
                'inside' => [2],
            ],
            'mask.soften' => ['id' => 'drillpass1', 'mask' => 'drillmask1', 'by' => 3],
            'light.solid' => ['labels' => [2], 'solid' => 'ball'],
            'light.before' => ['labels' => [2], 'inFront' => true],
            'light.flow' => ['labels' => [2], 'line' => [[0.1, 0.1], [0.4, 0.5]], 'more' => true],
            'light.stand' => ['labels' => [2], 'plan' => $this->parameters['light']],
            'paint.drag' => ['pass' => 'drillpass1', 'points' => $points, 'brush' => $brush],
            'paint.move' => [
                'pass' => 'drillpass1',
                'outline' => self::OUTLINE,
                'by' => [10, 5],
                'turn' => 15,
                'scale' => [1.1, 1.1],
                'copy' => true,
            ],
            'paint.place' => [
                'pass' => 'drillpass2',
                'make' => $this->pass(),
                'page' => $this->page->id,
                'from' => 'drillpass1',
                'outline' => self::OUTLINE,
                'by' => [3, 4],
            ],
            'pass.add' => [
                'id' => 'drillpass'.bin2hex(random_bytes(4)),
                'pass' => $this->pass() + [
                    'mask' => ['pass' => 'drillpass1', 'outside' => true],
                    'turn' => ['lightness' => 0.1, 'chroma' => 1, 'hue' => 3],
                ],
            ],
            'pass.change' => [
                'id' => 'drillpass1',
                'values' => [
                    'name' => 'Deep',
                    'opacity' => 0.4,
                    'visible' => true,
                    'mode' => 'multiply',
                    'content' => ['kind' => 'tone', 'tone' => 'deep'],
                    'scope' => ['kind' => 'figure', 'id' => $this->figure->id],
                    'mask' => null,
                    'turn' => ['lightness' => 0.1, 'chroma' => 1, 'hue' => 3],
                ],
            ],
            'pass.copy' => ['id' => 'drillcopy'.bin2hex(random_bytes(4)), 'from' => 'drillpass1'],
            'pass.merge' => ['id' => 'drillpass2', 'into' => 'drillpass1'],
            'pass.remove' => ['id' => 'drillpass2'],
            'group' => [
                'id' => 'drillgroup1',
                'passes' => ['drillpass1'],
                'how' => ['isolated' => true, 'mode' => 'multiply', 'opacity' => 0.5],
            ],
            'pass.order' => ['passes' => [['id' => 'drillpass1', 'order' => 2.5]]],
            'mood.bring' => ['plan' => $this->parameters['light'], 'variant' => null],
            'mood.panel' => [
                ...$fog,
                'ids' => ['panel'.bin2hex(random_bytes(4))],
                'cover' => 'panelcover'.bin2hex(random_bytes(2)),
                'labels' => [1],
            ],
            'mood.wear' => [
                ...$fog,
                'ids' => ['mood'.bin2hex(random_bytes(4))],
                'plan' => $this->parameters['light'],
                'variant' => $this->parameters['variant'],
            ],
            'mood.show' => ['id' => 'heldmood0001', 'hold' => 'held'.bin2hex(random_bytes(4))],
            'mood.letgo' => ['id' => 'heldmood0002'],
            'wash.around' => [
                'washes' => [['figure' => $this->figure->id, 'colour' => '#6688aa', 'around' => [[1, 700], [2, 300]]]],
                'strength' => 0.2,
            ],
            'setup.hang' => [
                'name' => 'Rust',
                'figure' => $this->figure->id,
                'scope' => ['kind' => 'figure', 'id' => $this->figure->id],
                'ids' => ['drillhang'.bin2hex(random_bytes(4))],
                'passes' => [$this->hung()],
                'labels' => [2],
                'setup' => $this->parameters['setup'],
            ],
            'setup.join' => [
                'passes' => ['drillpass1'],
                'setup' => $this->parameters['setup'],
                'first' => 0,
                'marked' => [],
            ],
            'page.start' => ['width' => 300, 'height' => 200, 'dpi' => 300],
            'drawing.change' => [
                'id' => 'drawing1',
                'values' => [
                    'role' => 'ink',
                    'tint' => '#4a8fe0',
                    'strength' => 0.5,
                    'above' => false,
                    'visible' => true,
                    'order' => 1,
                ],
            ],
            'drawing.remove' => ['id' => 'drawing9'],
            'ink.draw' => [
                'strokes' => [
                    [
                        'id' => 'drillline1',
                        'stroke' => [
                            'points' => [[10, 10, 0.5], [60, 70, 1]],
                            'weight' => 5,
                            'taper' => 0.2,
                            'steady' => 0.1,
                            'grain' => 0.3,
                        ],
                    ],
                ],
            ],
            'lines.colour' => ['lines' => ['rule' => 'colour', 'colour' => '#203040', 'shown' => true]],
        ];
        $missing = array_diff(array_map(fn (string $op): string => $op::kind(), OpKinds::ALL), array_keys($ops));

        return $missing === []
            ? $ops
            : throw new RuntimeException(
                'The fuzz knows no body for the ops '.implode(', ', $missing).'. Add one in Bodies.',
            );
    }

    /** @return array<string, array<string, mixed>> a change of every kind to the series */
    public function seriesOps(): array
    {
        $p = $this->parameters;
        $colour = '#'.bin2hex(random_bytes(3));
        $version = fn (string $model): int => (int) match ($model) {
            'material' => $this->material->refresh()->version,
            'light' => SeriesLight::query()->findOrFail($p['light'])->version,
            default => PaletteVariant::query()->findOrFail($p['variant'])->version,
        };
        $ops = [
            'figure.add' => ['name' => 'Harbour'],
            'figure.copy' => ['figure' => $p['figure']],
            'material.add' => ['figure' => $p['figure'], 'name' => 'rope', 'base' => $colour],
            'colours.take' => [
                'figure' => $p['figure'],
                'name' => 'picked',
                'ramp' => true,
                'colours' => ['#203040', '#506070', '#8090a0'],
            ],
            'figure.change' => ['figure' => $p['figure'], 'name' => 'Oda Brack', 'nearer' => 1, 'soft' => true],
            'material.copy' => ['figure' => $p['figure'], 'materials' => [$this->other->id]],
            'figure.retire' => ['figure' => $p['figure'], 'into' => $p['figure']],
            'tones.pin' => [
                'material' => $p['material'],
                'version' => $version('material'),
                'tones' => ['base' => $colour, 'shade' => null],
            ],
            'tones.name' => [
                'material' => $p['material'],
                'version' => $version('material'),
                'more' => [['tone' => 'more-1', 'name' => 'patina', 'colour' => $colour]],
            ],
            'material.change' => [
                'material' => $p['material'],
                'version' => $version('material'),
                'name' => 'oilskin',
                'place' => 2,
                'dials' => ['turn' => 0.2],
            ],
            'material.retire' => ['material' => $p['material'], 'version' => 0, 'into' => $this->other->id],
            'rule.change' => [
                'light' => '#ffe0b0',
                'dials' => ['turn' => 0.3, 'shade' => 0.5, 'toward' => 'opposite'],
            ],
            'variant.add' => ['name' => 'Night'],
            'variant.change' => [
                'variant' => $p['variant'],
                'version' => $version('variant'),
                'material' => $p['material'],
                'tones' => ['base' => $colour],
                'name' => 'Wet',
            ],
            'brush.keep' => ['name' => 'Reed', 'brush' => ['size' => 12, 'hardness' => 0.5, 'tip' => null]],
            'setup.keep' => ['name' => 'Tar', 'passes' => [$this->hung()]],
            'setup.change' => [
                'setup' => $p['setup'],
                'passes' => [['opacity' => mt_rand(1, 99) / 100] + $this->hung()],
            ],
            'light.add' => ['name' => 'Fog', 'plan' => $this->plan()],
            'light.change' => [
                'light' => $p['light'],
                'version' => $version('light'),
                'name' => 'Noon',
                'plan' => ['azimuth' => mt_rand(0, 359)] + $this->plan(),
            ],
            'page.light' => ['of' => $p['page'], 'light' => $p['light']],
            'page.variant' => ['of' => $p['page'], 'variant' => $p['variant']],
            'page.version' => ['of' => $p['page'], 'version' => null, 'follows' => [$p['material']]],
            'figure.link' => ['figure' => $p['figure']],
            'figure.unlink' => ['figure' => $p['figure']],
            'material.duplicate' => ['material' => $p['material']],
            'palette.import' => ['name' => 'palette.csv', 'text' => "Oda Brack,oilskin,base,$colour\n"],
            'version.restore' => ['version' => $p['version']],
            'mood.keep' => [
                'name' => 'Fog',
                'layers' => [['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => '#dfe5ea']]],
            ],
            'mood.change' => [
                'mood' => $p['moodrow'],
                'version' => 1,
                'layers' => [['name' => 'Air', 'content' => ['kind' => 'wash', 'colour' => $colour]]],
            ],
            'mood.retire' => ['mood' => $p['moodrow']],
            'setup.retire' => ['setup' => $p['setup']],
            'brush.retire' => ['brush' => $p['brush']],
        ];
        $missing = array_diff(array_map(fn (string $op): string => $op::kind(), SeriesOpKinds::ALL), array_keys($ops));

        return $missing === []
            ? $ops
            : throw new RuntimeException(
                'The fuzz knows no body for the series ops '.implode(', ', $missing).'. Add one in Bodies.',
            );
    }

    /** @return array<string, array<string, mixed>> work of every kind on a page that a window may ask for */
    private function pageTasks(): array
    {
        $p = $this->parameters;
        $held = ['lease' => $this->world->lease];

        return [
            'import' => $held + [
                'original' => $p['original'],
                'picture' => 1,
                'drawing' => 'drawing1',
                'cut' => false,
            ],
            'clean' => $held + [
                'drawing' => 'drawing1',
                'clean' => ['paper' => 40, 'ink' => 200, 'turn' => 0.0, 'specks' => 4],
                'place' => ['x' => 350, 'y' => 250, 'scale' => 1.0],
            ],
            'take' => $held + ['flats' => 'no file'],
            'snap' => ['reference' => $p['reference']],
            'regions' => $held,
            'rough' => $held + ['figure' => $p['figure'], 'plan' => $this->plan(), 'only' => [2]],
            'tidy' => $held + ['overshoot' => 5, 'gap' => 12.5],
            'enlarge' => $held + ['factor' => 1.5],
            'deliver' => ['format' => 'png'],
        ];
    }

    /** @return array<string, array<string, mixed>> work of every kind on a series */
    private function seriesTasks(): array
    {
        $p = $this->parameters;

        return [
            'colours' => [],
            'follow' => ['setup' => $p['setup'], 'pages' => [$p['page']], 'known' => 1, 'before' => [$this->hung()]],
            'mood' => ['mood' => $p['moodrow'], 'pages' => [$p['page']]],
            'replace' => ['pages' => [$p['page']], 'figure' => $p['figure'], 'tone' => 'shade', 'into' => 'deep'],
            'match' => ['page' => $p['page']],
        ];
    }

    /**
     * Work of one kind, picked by chance.
     *
     * @param  array<string, array<string, mixed>>  $tasks
     * @return array<string, mixed>
     */
    private function oneOf(array $tasks): array
    {
        $this->kind = (string) array_rand($tasks);

        return $tasks[$this->kind];
    }

    /**
     * @param  string  $route  as it is registered, like "POST api/series"
     * @return array<string, mixed> what a window sends to it
     */
    public function of(string $route): array
    {
        if (str_ends_with($route, '/tasks/{kind}')) {
            return $this->oneOf(str_contains($route, '{page}') ? $this->pageTasks() : $this->seriesTasks());
        }
        $all = $this->all();

        return $all[$route] ?? throw new RuntimeException("The fuzz knows no body for $route. Add one in Bodies.");
    }

    /** @return array<string, array<string, mixed>> by method and address */
    private function all(): array
    {
        $p = $this->parameters;
        $held = ['lease' => $this->world->lease];
        $asked = $held + [
            'id' => bin2hex(random_bytes(8)),
            'base' => (int) Page::query()->whereKey($this->page->id)->value('revision'),
        ];
        $ops = $this->ops();
        $kind = array_rand($ops);
        $seriesOps = $this->seriesOps();
        $seriesKind = array_rand($seriesOps);
        $colour = '#'.bin2hex(random_bytes(3));
        $dials = ['light' => '#ffe0b0', 'dials' => ['turn' => 0.3, 'shade' => 0.5, 'toward' => 'opposite']];
        $nothing = array_fill_keys(
            [
                'GET api/session',
                'GET api/invitations/{token}',
                'DELETE api/session',
                'GET api/session/may-send',
                'GET api/manual',
                'GET manual/{picture}',
                'GET api/series',
                'GET api/series/{series}',
                'DELETE api/series/{series}/members/{user}',
                'GET api/series/{series}/palette',
                'GET api/series/{series}/palette/history',
                'POST api/series/{series}/undo',
                'POST api/series/{series}/redo',
                'GET api/series/{series}/variants',
                'GET api/series/{series}/setups',
                'GET api/series/{series}/setups/{setup}/file',
                'GET api/series/{series}/setups/{setup}/followers',
                'GET api/series/{series}/versions',
                'GET api/series/{series}/pages/{page}/as/{number}',
                'GET api/series/{series}/references/{reference}/picture',
                'DELETE api/series/{series}/references/{reference}',
                'GET api/series/{series}/palette/file/{format}',
                'GET api/pages/{page}',
                'GET api/pages/{page}/picture',
                'GET api/series/{series}/moods',
                'GET api/series/{series}/moods/{mood}/file',
                'GET api/series/{series}/moods/{mood}/followers',
                'GET api/pages/{page}/moods/{mood}',
                'GET api/pages/{page}/lines',
                'GET api/pages/{page}/colours',
                'GET api/pages/{page}/findings',
                'GET api/pages/{page}/before',
                'GET api/pages/{page}/surroundings',
                'GET api/pages/{page}/passes/{pass}/history',
                'GET api/pages/{page}/tasks',
                'GET api/tasks/{task}',
                'DELETE api/tasks/{task}',
                'GET pages/{page}/tiles/{hash}',
                'GET {any?}',
            ],
            [],
        );

        return $nothing + [
            'POST api/session' => ['email' => 'mira@drill.example', 'password' => 'not hers'],
            'POST api/session/demo' => ['id' => 1],
            'POST api/invitations/{token}' => [
                'name' => 'Tamsin',
                'email' => 'tamsin@drill.example',
                'password' => 'a long one, and new',
            ],
            'PUT api/session/password' => ['old' => 'not hers', 'password' => 'a long one, and new'],
            'POST api/series' => ['name' => 'Another series'],
            'POST api/series/{series}/pages' => ['title' => 'One more'],
            'POST api/series/{series}/members' => ['email' => 'pell@drill.example', 'role' => 'owner'],
            'POST api/series/{series}/invitations' => ['email' => 'ida@drill.example', 'role' => 'viewer'],
            'POST api/series/{series}/rule/preview' => $dials,
            'POST api/series/{series}/tips' => ['picture' => 'no file'],
            'POST api/pages/{page}/rainbow' => ['labels' => [1, 2]],
            'POST api/pages/{page}/marks' => ['passes' => ['drillpass1'], 'labels' => [2]],
            'POST api/series/{series}/versions' => ['name' => 'Book 2'],
            'GET api/series/{series}/versions/compare' => ['from' => 0, 'to' => 0],
            'GET api/series/{series}/references' => ['page' => $p['page']],
            'GET api/series/{series}/references/{reference}/mood' => ['page' => $p['page']],
            'POST api/series/{series}/references' => ['of' => $p['page'], 'page' => $p['page']],
            'PATCH api/series/{series}/references/{reference}' => [
                'x' => 10.5,
                'y' => 3,
                'across' => 200,
                'mirrored' => true,
                'grey' => false,
            ],
            'POST api/series/{series}/palette/file' => [
                'name' => 'palette.csv',
                'text' => "Oda Brack,oilskin,base,$colour\n",
            ],
            'GET api/pages/{page}/feed' => ['since' => 0, 'palette' => 0, 'wait' => 0],
            'GET api/pages/{page}/originals/{original}' => ['picture' => 1],
            'POST api/pages/{page}/lines' => [
                'svg' => '<svg xmlns="http://www.w3.org/2000/svg"><path d="M10 10L90 90" stroke="#000" '.
                    'fill="none"/></svg>',
            ],
            'POST api/pages/{page}/lines/tidy' => ['overshoot' => 5, 'gap' => 12.5],
            'POST api/pages/{page}/tiles' => ['level' => 0, 'want' => [['ink', 0, 0], ['flats', 1, 1]]],
            'POST api/pages/{page}/lease' => $held,
            'DELETE api/pages/{page}/lease' => ['lease' => 'anotherlease00'],
            'POST api/series/{series}/ops' => ['op' => ['kind' => $seriesKind] + $seriesOps[$seriesKind]],
            'POST api/pages/{page}/ops' => $asked + ['op' => ['kind' => $kind] + $ops[$kind]],
            'POST api/pages/{page}/undo' => $asked,
            'POST api/pages/{page}/redo' => $asked,
            'POST api/pages/{page}/drawings/{drawing}/look' => [
                'clean' => ['weight' => 1],
                'level' => 0,
                'tiles' => [0, 0, 1, 1],
            ],
            'POST api/pages/{page}/cues' => ['dabs' => [[2, $p['material'], 10]]],
            'POST api/pages/{page}/rough/preview' => [
                'figure' => $p['figure'],
                'plan' => $this->plan(),
                'only' => [],
                'fine' => false,
            ],
            'POST api/pages/{page}/passes/{pass}/history' => ['entry' => 1],
            'GET deliveries/{task}' => ['part' => 'before'],
        ];
    }
}
