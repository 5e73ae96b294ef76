<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use ReflectionClass;
use ReflectionFunction;

/**
 * Writes the list of classes that a preview needs, for the server to have them ready before the first request: a fifth of the time of each.
 * The list is what a preview of the demo garden, made here, has loaded.
 */
final class PreloadCommand extends Command
{
    protected $signature = 'kelp:preload {file}';

    protected $description = 'Writes what the server loads once, before the first request';

    public function handle(Kernel $http): int
    {
        config(['kelp.asks_who' => false]);
        $address = config('app.url').'/api/preview';
        $garden = (string) file_get_contents(base_path('data/demo.kelp.json'));
        $response = $http->handle(Request::create($address, 'POST', server: ['CONTENT_TYPE' => 'application/json'], content: $garden));
        if ($response->getStatusCode() !== 200) {
            $this->error('Error: a preview of the demo garden answered '.$response->getStatusCode().'.');

            return self::FAILURE;
        }
        // What the first page asks for besides, which a preview has nothing of.
        foreach (['Days', 'Log', 'Diary'] as $room) {
            foreach (glob(base_path("core/$room/*.php")) ?: [] as $class) {
                class_exists("KelpTub\\Core\\$room\\".basename($class, '.php'));
            }
        }
        $file = $this->argument('file');
        assert(is_string($file));
        $php = '<?php foreach ('.var_export(self::files(), true).' as $file) { opcache_compile_file($file); }'."\n";

        return file_put_contents($file, $php) === strlen($php) ? self::SUCCESS : self::FAILURE;
    }

    /** @return list<string> files with classes and nothing else: a function that is there already could not be declared again */
    private static function files(): array
    {
        /** @var list<class-string> $names */
        $names = [...get_declared_classes(), ...get_declared_interfaces(), ...get_declared_traits()];
        $functions = array_map(
            static fn (string $name): string => (string) (new ReflectionFunction($name))->getFileName(),
            get_defined_functions()['user'],
        );
        $classes = array_map(static fn (string $name): string => (string) (new ReflectionClass($name))->getFileName(), $names);
        $files = array_diff(array_unique($classes), $functions);

        // Composer's own loader runs before anything else, and what is made at run time is not the program.
        return array_values(array_filter($files, static fn (string $file): bool => is_file($file)
            && ! str_contains($file, '/vendor/composer/')
            && ! str_starts_with($file, storage_path())
            && ! str_contains($file, '/Console/')));
    }
}
