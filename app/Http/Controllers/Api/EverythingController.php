<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Gardens\Everything;
use App\Gardens\OneMoment;
use App\Logs\Photos;
use App\Models\Garden;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use RuntimeException;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Throwable;

/** Everything as one file: handed out, and taken in. */
final readonly class EverythingController
{
    public function __construct(private Everything $everything)
    {
    }

    public function show(): StreamedResponse
    {
        // The first piece is made before anything is sent: a database that is away is said as such.
        OneMoment::begin();
        $pieces = (fn () => yield from $this->everything->written())();
        $pieces->current();

        return new StreamedResponse(static function () use ($pieces): void {
            for (; $pieces->valid(); $pieces->next()) {
                echo $pieces->current();
            }
            OneMoment::end();
        }, headers: [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="kelp-tub-'.now()->format('Y-m-d').'.json"',
        ]);
    }

    /** The same with the photographs, as files in one. */
    public function zip(Photos $photos): BinaryFileResponse
    {
        set_time_limit(110);
        $file = (string) tempnam(storage_path('framework'), 'zip');
        $text = (string) tempnam(storage_path('framework'), 'zip');
        try {
            OneMoment::of(function () use ($text): void {
                $into = fopen($text, 'w');
                foreach ($this->everything->written() as $piece) {
                    if ($into === false || fwrite($into, $piece) !== strlen($piece)) {
                        throw new RuntimeException('No space left for everything as one file.');
                    }
                }
            });
            $photos->pack($file, $text, array_values(array_map(strval(...), Garden::withTrashed()->pluck('id')->all())));
        } catch (Throwable $failed) {
            // What is not whole would only take room.
            @unlink($file);
            throw $failed;
        } finally {
            @unlink($text);
        }

        return (new BinaryFileResponse($file, headers: ['Content-Type' => 'application/zip']))
            ->setContentDisposition('attachment', 'kelp-tub-'.now()->format('Y-m-d').'.zip')
            ->deleteFileAfterSend();
    }

    public function store(Request $request): JsonResponse
    {
        // One request that needs more than others: what it may be asked to read is bounded by its size.
        ini_set('memory_limit', '768M');
        set_time_limit(110);

        return new JsonResponse($this->everything->takeIn($request->getContent()), options: JSON_INVALID_UTF8_SUBSTITUTE);
    }
}
