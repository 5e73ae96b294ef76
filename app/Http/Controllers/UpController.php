<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Version;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use PDO;
use PDOException;

/** Says whether all is well: the database is asked, and the disk. */
final class UpController
{
    /** Less room than this is too little, MB. */
    private const LEAST_FREE_MB = 50;

    public function __invoke(): JsonResponse
    {
        // Whoever asks how it is does not wait for one that hangs.
        config(['database.connections.mariadb.options' => [PDO::ATTR_TIMEOUT => 1]]);
        ini_set('mysqlnd.net_read_timeout', '1');
        try {
            // Connected by hand first: a statement would be tried twice.
            DB::connection()->getPdo();
            DB::select('SELECT 1 FROM gardens LIMIT 1');
            $database = 'answers';
        } catch (PDOException) {
            $database = 'does not answer';
        }
        $free = @disk_free_space(storage_path());
        $megabytes = $free === false ? null : (int) ($free / 1_000_000);
        $well = $database === 'answers' && ($megabytes === null || $megabytes >= self::LEAST_FREE_MB);

        return new JsonResponse([
            'status' => $well ? 'up' : 'ailing',
            'version' => Version::NUMBER,
            'database' => $database,
            'disk_free_mb' => $megabytes,
        ], $well ? 200 : 503);
    }
}
