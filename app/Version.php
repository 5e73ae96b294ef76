<?php

declare(strict_types=1);

namespace App;

/** Which Kelp Tub this is. What each version brought stands in CHANGELOG.md, the newest first. */
final class Version
{
    public const NUMBER = '0.10.0';
}
