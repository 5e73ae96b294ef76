<?php

declare(strict_types=1);

namespace KelpTub\Core\Build;

/** What can hurt someone at a step, short and plain. Source: handbook, rules section 11. */
enum Caution: string
{
    case Saw = 'saw';
    case Knife = 'knife';
    case Eyes = 'eyes';
    case Paint = 'paint';
    case Electricity = 'electricity';
    case Battery = 'battery';
    case Weight = 'weight';
    case Chemicals = 'chemicals';
    case Food = 'food';
    case StandingWater = 'standing-water';
    case Glass = 'glass';
    case Local = 'local';

    public function says(): string
    {
        return match ($this) {
            self::Saw => 'Clamp the work. Slow speed, light pressure: plastic grabs and cracks. Finger off the trigger when you clear '
                .'the slug.',
            self::Knife => 'Cut away from yourself, on something that may be cut, in several light passes.',
            self::Eyes => 'Wear eye protection.',
            self::Paint => 'Spray outdoors with a mask, the outside of the tub only, and let it cure fully.',
            self::Electricity => 'Use an outlet with residual-current (ground-fault) protection, a drip loop in each cord, pump and '
                .'plugs above the '
                .'water line, no damaged cord. Fixed wiring is for a licensed electrician; local electrical code rules.',
            self::Battery => 'Fuse the battery’s lead at the battery, let it be ventilated, and follow its maker’s instructions.',
            self::Weight => 'Fill it where it will stand. Full, it is too heavy to lift.',
            self::Chemicals => 'Gloves and eye protection. Each in its own labelled container, away from children and pets. Acid into '
                .'water, never '
                .'water into acid; never mix products undiluted.',
            self::Food => 'Food-safe plastics only; a clean tub; wash what you harvest.',
            self::StandingWater => 'Lid on, against mosquitoes and for small children: they drown in little water.',
            self::Glass => 'No hot water into cold glass, nor cold into hot.',
            self::Local => 'Local rules on what may be grown, and on where old solution and foam may go, come first.',
        };
    }
}
