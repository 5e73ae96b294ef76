<?php

declare(strict_types=1);

use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\ElementList;
use Swaggest\JsonDiff\JsonPatch;
use Tests\Browser\Browser;
use Tests\TestCase;

// The signatures of the libraries for patches and for calendars are older than this PHP: load them once without their notices.
$level = error_reporting(E_ALL & ~E_DEPRECATED);
class_exists(JsonPatch::class);
class_exists(VCalendar::class);
class_exists(ElementList::class);
error_reporting($level);

pest()->extend(TestCase::class)->in('Feature');

// What a page complained of belongs to the test that opened it: the browser is shared, its console with it.
pest()->beforeEach(fn () => Browser::clearComplaints())->in('Browser');

require_once __DIR__.'/Browser/functions.php';
require_once __DIR__.'/Feature/functions.php';
