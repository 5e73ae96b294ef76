<?php

declare(strict_types=1);

namespace App\Library;

use Closure;

/**
 * What is read from data files, kept as PHP beside them: the server has that compiled already, where it would parse the files anew for each
 * request. What is kept goes by the files' names, times and sizes, so a changed file is read again. Where nothing can be kept the files are
 * read.
 */
final readonly class KeptFiles
{
    /** @param  string|null  $folder  for what is kept; null to keep nothing */
    public function __construct(private ?string $folder = null)
    {
    }

    /**
     * @template T
     *
     * @param  string  $stamp  of the files that it is read from: stamp()
     * @param  Closure(): T  $read  made of objects without a class, lists and plain values
     * @return T
     */
    public function of(string $stamp, Closure $read): mixed
    {
        if ($this->folder === null) {
            return $read();
        }
        $kept = "$this->folder/$stamp.php";
        // It may be swept away between a look and the reading of it; then the files are read.
        $value = is_file($kept) ? @include $kept : false;
        if ($value !== false) {
            return $value;
        }
        $value = $read();
        $this->keep($kept, $value);

        return $value;
    }

    /**
     * What changes when one of some files does.
     *
     * @param  list<string>  $files
     */
    public static function stamp(array $files): string
    {
        $marks = array_map(static fn (string $file): string => $file.' '.@filemtime($file).' '.@filesize($file), $files);

        return hash('xxh128', implode("\n", $marks));
    }

    /** Whole or not at all: another request may read it while it is written. */
    private function keep(string $kept, mixed $value): void
    {
        if (! is_dir((string) $this->folder) && ! @mkdir((string) $this->folder, 0775, true)) {
            return;
        }
        $new = @tempnam((string) $this->folder, 'new');
        $php = '<?php return '.var_export($value, true).";\n";
        if ($new === false || @file_put_contents($new, $php) === false || ! @rename($new, $kept)) {
            @unlink((string) $new);
        }
    }
}
