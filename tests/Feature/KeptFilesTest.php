<?php

declare(strict_types=1);

use App\Library\KeptFiles;
use App\Library\LibraryFiles;

beforeEach(function () {
    $this->folder = sys_get_temp_dir().'/kept-'.bin2hex(random_bytes(6));
    mkdir($this->folder);
    $this->file = "$this->folder/some.json";
});

afterEach(function () {
    array_map(unlink(...), [...(array) glob("$this->folder/kept/*"), ...(array) glob("$this->folder/*.json")]);
    @rmdir("$this->folder/kept");
    rmdir($this->folder);
});

it('gives what was read, to the last point and the empty object, and reads once', function () {
    $json = '{"a":1,"b":1.0,"c":{},"d":[],"e":[0.1,null,true],"12":"seed \u00b7 $x"}';
    file_put_contents($this->file, $json);
    $reads = 0;
    $read = function () use (&$reads): mixed {
        $reads++;

        return json_decode((string) file_get_contents($this->file));
    };
    $kept = new KeptFiles("$this->folder/kept");

    expect($kept->of(KeptFiles::stamp([$this->file]), $read))->toEqual(json_decode($json))
        ->and(json_encode($kept->of(KeptFiles::stamp([$this->file]), $read), JSON_PRESERVE_ZERO_FRACTION))->toBe(
            json_encode(json_decode($json), JSON_PRESERVE_ZERO_FRACTION),
        )
        ->and($reads)->toBe(1);

    file_put_contents($this->file, '{"a":12}');
    clearstatcache();
    expect($kept->of(KeptFiles::stamp([$this->file]), $read))->toEqual((object) ['a' => 12])->and($reads)->toBe(2);
});

it('reads where nothing can be kept', function () {
    file_put_contents($this->file, '7');
    $read = fn (): mixed => json_decode((string) file_get_contents($this->file));

    expect((new KeptFiles)->of(KeptFiles::stamp([$this->file]), $read))->toBe(7)
        ->and((new KeptFiles("$this->file/no-folder"))->of(KeptFiles::stamp([$this->file]), $read))->toBe(7);
});

it('has the same Library and schemas kept and read', function () {
    $data = base_path('data');
    $read = new LibraryFiles($data);
    foreach ([1, 2] as $time) {
        $kept = new LibraryFiles($data, new KeptFiles("$this->folder/kept"));
        expect(json_encode($kept->schema('garden')))->toBe(json_encode($read->schema('garden')))
            ->and($kept->library()->crops->documents())->toEqual($read->library()->crops->documents())
            ->and($kept->library()->vessels->documents())->toEqual($read->library()->vessels->documents());
    }
});
