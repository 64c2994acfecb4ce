<?php

declare(strict_types=1);

namespace App\Wire;

use App\Desk\Deliveries\DeliveryKinds;
use App\Models\Role;
use Awning\Core\Brush\Tip;
use Awning\Core\Brush\TipKind;
use Awning\Core\Colour\Channel;
use Awning\Core\Colour\ColourSight;
use Awning\Core\Colour\ShadeHue;
use Awning\Core\Colour\Tone;
use Awning\Core\Colour\Verdict;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Page\Drawing\DrawingRole;
use Awning\Core\Page\Drawing\LineColour;
use Awning\Core\Page\Drawing\LineRule;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Page\Pass\LightPart;
use Awning\Core\Page\Pass\ParticleForm;
use Awning\Core\Page\Pass\PassKind;
use Awning\Core\Page\Pass\RoughKind;
use Awning\Core\Page\Pass\ScopeKind;
use Awning\Core\Page\Region\BridgeKind;
use Awning\Core\Page\Region\FlowLines;
use Awning\Core\Page\Region\ShapeUse;
use Awning\Core\Page\Region\Solid;
use Awning\Core\Page\Setup\Setup;
use Awning\Core\Proof\AdviceKind;
use Awning\Core\Proof\FinderStage;
use Awning\Core\Select\RampForm;
use Awning\Core\Sheet\OpKinds;
use Symfony\Component\Finder\Finder;

/**
 * The types that cross HTTP, as TypeScript. Their one source is PHP: every @phpstan-type of the application and the
 * core's pages and ops, which the static analysis holds to the code, and the enums these name.
 */
final class TypeScript
{
    /** A type, over as many lines as it takes: those behind the first are indented. */
    private const TYPE = '/^ \* @phpstan-type (\w+) (.+(?:\n \* {2,}.+)*)$/m';

    /** @var array<string, class-string<\BackedEnum>> */
    private const ENUMS = [
        'Tone' => Tone::class,
        'Role' => Role::class,
        'BlendMode' => BlendMode::class,
        'Channel' => Channel::class,
        'ParticleForm' => ParticleForm::class,
        'ScopeKind' => ScopeKind::class,
        'PassKind' => PassKind::class,
        'DrawingRole' => DrawingRole::class,
        'LineColour' => LineColour::class,
        'LineRule' => LineRule::class,
        'BridgeKind' => BridgeKind::class,
        'ShapeUse' => ShapeUse::class,
        'RampForm' => RampForm::class,
        'Solid' => Solid::class,
        'LightPart' => LightPart::class,
        'RoughKind' => RoughKind::class,
        'TipKind' => TipKind::class,
        'FinderStage' => FinderStage::class,
        'ShadeHue' => ShadeHue::class,
        'AdviceKind' => AdviceKind::class,
        'ColourSight' => ColourSight::class,
        'Verdict' => Verdict::class,
    ];

    /** Bounds that a screen keeps to before it asks. */
    private const MOST = ['passesOfSetup' => Setup::MOST, 'directions' => FlowLines::MOST];

    private const FOLDERS = [
        'app',
        'core/src/Brush',
        'core/src/Colour',
        'core/src/Light',
        'core/src/Page',
        'core/src/Proof',
        'core/src/Sheet',
    ];

    public function __construct(private readonly string $root)
    {
    }

    public function source(): string
    {
        $reader = new ShapeReader;
        $types = [];
        foreach ($this->declared() as $name => $type) {
            $types[$name] = $reader->typeScript($type);
        }
        ksort($types);
        $out = "// Generated from PHP by './awning types'; './awning test' fails when it differs. Do not edit.\n";
        foreach ($reader->enums() as $name) {
            $values = array_map(
                fn (\BackedEnum $case): string => "'$case->value'",
                (
                    self::ENUMS[$name] ??
                    throw new \UnexpectedValueException("The enum $name is not told to the browser.")
                )::cases(),
            );
            $constant = strtoupper((string) preg_replace('/(?<!^)[A-Z]/', '_$0', $name)).'S';
            $out .=
                "\nexport const $constant = [".
                implode(', ', $values).
                "] as const;\nexport type $name = (typeof {$constant})[number];\n";
        }
        $out .=
            "\n/** Bounds that are told of beforehand. */\nexport const MOST = ".
            json_encode(self::MOST, JSON_THROW_ON_ERROR).
            " as const;\n";
        $out .=
            "\n/** Least, most and usual of what is a number of a tip. */\nexport const TIP_RANGES = ".
            json_encode(Tip::RANGES, JSON_THROW_ON_ERROR).
            " as const;\n";
        $out .=
            "\n/** Least, most and usual of each dial of a first light. */\nexport const LIGHT_RANGES = ".
            json_encode(RoughDials::RANGES, JSON_THROW_ON_ERROR).
            " as const;\n";
        $out .=
            "\n/** The forms in which a page leaves. */\nexport const DELIVERIES: readonly DeliveryOffer[] = ".
            json_encode(DeliveryKinds::offers(), JSON_THROW_ON_ERROR).
            ";\n";
        $out .=
            "\n/** The kinds of change a page knows. */\nexport const OP_KINDS = [".
            implode(', ', array_map(fn (string $op): string => "'{$op::kind()}'", OpKinds::ALL)).
            "] as const;\n";
        foreach ($types as $name => $type) {
            $out .= "\nexport type $name = $type;\n";
        }

        return $out;
    }

    /** @return array<string, string> name => type as PHPStan reads it */
    private function declared(): array
    {
        $types = [];
        foreach (
            (new Finder)
                ->files()
                ->name('*.php')
                ->in(array_map(fn (string $folder): string => "$this->root/$folder", self::FOLDERS))
                ->sortByName() as $file
        ) {
            preg_match_all(self::TYPE, $file->getContents(), $matches, PREG_SET_ORDER);
            foreach ($matches as [, $name, $type]) {
                if (isset($types[$name])) {
                    throw new \UnexpectedValueException("Two types are called $name.");
                }
                $types[$name] = (string) preg_replace('/\n \* +/', ' ', $type);
            }
        }

        return $types;
    }
}
