<?php

declare(strict_types=1);

namespace KelpTub\Core\Log;

/** What a grower may see at a tub, in words that a text is searched for too. Source: handbook, log (diagnosis, signs). */
enum Sign: string
{
    case BrownRoots = 'brown-roots';
    case StainedRoots = 'stained-roots';
    case Smell = 'smell';
    case GreenFilm = 'green-film';
    case Wilting = 'wilting';
    case WeakBubbles = 'weak-bubbles';
    case NoBubbles = 'no-bubbles';
    case WhiteCrust = 'white-crust';
    case DryPlug = 'dry-plug';
    case PaleNewLeaves = 'pale-new-leaves';
    case PaleOldLeaves = 'pale-old-leaves';
    case BurntTips = 'burnt-tips';
    case PurpleStems = 'purple-stems';
    case Leggy = 'leggy';
    case NotUp = 'not-up';
    case Leaning = 'leaning';
    case Insects = 'insects';

    public function name(): string
    {
        return match ($this) {
            self::BrownRoots => 'Brown, slimy roots',
            self::StainedRoots => 'Roots stained, firm to the touch',
            self::Smell => 'The water smells foul',
            self::GreenFilm => 'Green film, or green water',
            self::Wilting => 'Leaves hang',
            self::WeakBubbles => 'Few bubbles',
            self::NoBubbles => 'No bubbles',
            self::WhiteCrust => 'White crust',
            self::DryPlug => 'Dry plug',
            self::PaleNewLeaves => 'New leaves pale',
            self::PaleOldLeaves => 'Old leaves pale',
            self::BurntTips => 'Tips or edges burnt',
            self::PurpleStems => 'Purple stems',
            self::Leggy => 'Long and thin seedlings',
            self::NotUp => 'Seeds not up',
            self::Leaning => 'A plant leans',
            self::Insects => 'Insects on the water',
        };
    }

    /** What is looked at to see it. */
    public function part(): string
    {
        return match ($this) {
            self::BrownRoots, self::StainedRoots => 'roots',
            self::Smell, self::GreenFilm, self::Insects => 'water',
            self::WeakBubbles, self::NoBubbles => 'air',
            self::WhiteCrust, self::DryPlug, self::NotUp => 'cup',
            default => 'leaves',
        };
    }

    /** How people write it: a pattern that is looked for in small letters. */
    public function pattern(): string
    {
        return match ($this) {
            self::BrownRoots => 'slim(?:y|e)[^,;.]*\broots?\b|\broots?\b[^,;.]*\b(?:slim(?:y|e)|brown(?:ish)?|mushy|rott(?:en|ing))'
                .'|\b(?:brown|mushy|rotten|rotting)\b[^,;.]*\broots?\b|\broot rot\b',
            self::StainedRoots => '\bstained\b[^,;.]*\broots?\b|\broots?\b[^,;.]*\b(?:stained|tan|tea[- ]coloured|coloured by)\b',
            self::Smell => '\b(?:smells?|smelly|stinks?|stinky|foul|rotten eggs?)\b(?! (?:fine|good|fresh|ok|of (?:basil|mint|dill)))',
            self::GreenFilm => '\balgae?\b|\bgreen (?:film|slime|water|scum)\b|\bwater\b[^,;.]*\b(?:is|gone|turned|turning|went) green\b',
            self::Wilting => '\bwilt(?:s|ed|ing|y)?\b|\bdroop(?:s|ed|ing|y)?\b|\bleaves? (?:hang|hanging|limp)\b|\blimp\b',
            self::WeakBubbles => '\b(?:few(?:er)?|weak(?:er)?|hardly any|barely any|less|little) bubbl(?:es|ing)\b|\bbubbl(?:es|ing)\b'
                .'[^,;.]*\b(?:weak(?:er)?|less|fewer)\b|\bstone\b[^,;.]*\bclogg(?:ed|ing)\b',
            self::NoBubbles => '\bno (?:more )?bubbles\b|\bbubbles? (?:have |has )?(?:stopped|gone)\b|\bstopped bubbling\b'
                .'|\bpump (?:is )?(?:off|dead|stopped)\b',
            self::WhiteCrust => '\b(?:white|salt|lime)[^,;.]{0,12}\bcrust\w*\b|\bcrust\w*\b[^,;.]*\bwhite\b|\bsalt (?:rim|ring|line)\b',
            self::DryPlug => '\b(?:plug|plugs|cube|cubes)\b[^,;.]*\bdry\b|\bdry (?:plug|cube)s?\b',
            self::PaleNewLeaves => '\b(?:new|young|top|upper|youngest)\b[^,;.]*\b(?:leaf|leaves|growth)\b[^,;.]*\b(?:pale|yellow\w*'
                .'|light)\b'
                .'|\b(?:pale|yellow\w*)\b[^,;.]*\b(?:new|young|top|upper|youngest)\b[^,;.]*\b(?:leaf|leaves|growth)\b',
            self::PaleOldLeaves => '\b(?:old|older|lower|bottom|oldest)\b[^,;.]*\b(?:leaf|leaves)\b[^,;.]*\b(?:pale|yellow\w*|light)\b'
                .'|\b(?:pale|yellow\w*)\b[^,;.]*\b(?:old|older|lower|bottom|oldest)\b[^,;.]*\b(?:leaf|leaves)\b',
            self::BurntTips => '\b(?:burnt|burned|brown|crispy|scorched)\b[^,;.]*\b(?:tips?|edges?|margins?)\b'
                .'|\b(?:tips?|edges?|margins?)\b[^,;.]*\b(?:burnt|burned|brown|crispy|scorched)\b|\btip ?burn\b',
            self::PurpleStems => '\bpurpl\w+\b[^,;.]*\b(?:stems?|stalks?|veins?|undersides?)\b|\b(?:stems?|stalks?|veins?'
                .'|undersides?)\b[^,;.]*\bpurpl\w+\b',
            self::Leggy => '\blegg(?:y|ier)\b|\bstretch(?:ed|ing|y)\b|\blong and thin\b|\bspindly\b',
            self::NotUp => '\bnot (?:come )?up\b|\bnothing (?:is )?up\b|\bno seedlings?\b|\b(?:have|has)(?: not|n\'t) (?:come up'
                .'|sprouted|germinated)\b'
                .'|\b(?:no|not) (?:germination|germinated|sprouted)\b',
            self::Leaning => '\blean(?:s|ing)\b|\bfall(?:s|en|ing) over\b|\btipp(?:ed|ing) over\b|\bflopp(?:ed|ing|y)\b',
            self::Insects => '\b(?:insects?|gnats?|larvae?|mosquito(?:es)?|aphids?|flies|thrips|bugs?)\b',
        };
    }
}
