<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use Awning\Core\Sheet\OpRefused;

/** The changes to a series that a window may ask for. */
final class SeriesOpKinds
{
    /** @var list<class-string<ClientSeriesOp>> */
    public const ALL = [
        AddFigure::class,
        AddLight::class,
        AddMaterial::class,
        AddVariant::class,
        ChangeFigure::class,
        ChangeLight::class,
        ChangeMaterial::class,
        ChangeMood::class,
        ChangeRule::class,
        ChangeSetup::class,
        ChangeVariant::class,
        ChoosePageLight::class,
        ChoosePageVariant::class,
        ChoosePageVersion::class,
        CopyFigure::class,
        CopyMaterials::class,
        DuplicateMaterial::class,
        ImportPalette::class,
        KeepBrush::class,
        KeepMood::class,
        KeepSetup::class,
        LinkFigure::class,
        NameTones::class,
        PinTones::class,
        RestoreVersion::class,
        RetireBrush::class,
        RetireFigure::class,
        RetireMaterial::class,
        RetireMood::class,
        RetireSetup::class,
        TakeColours::class,
        UnlinkFigure::class,
    ];

    /** @throws OpRefused when there is no such kind, or no window may ask for it */
    public static function read(string $kind, OpInput $asked): ClientSeriesOp
    {
        foreach (self::ALL as $op) {
            if ($op::kind() === $kind) {
                return $op::fromInput($asked);
            }
        }
        throw new OpRefused('This change is not known here. Reload the page: a newer version may be running.');
    }
}
