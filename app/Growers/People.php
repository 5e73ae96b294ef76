<?php

declare(strict_types=1);

namespace App\Growers;

use App\Models\Grower;
use Illuminate\Support\Facades\DB;
use KelpTub\Core\File\Fault;
use KelpTub\Core\File\RefusedGarden;
use Normalizer;

/** Makes growers and takes them away, and with them what is theirs. */
final readonly class People
{
    public const NAME_LENGTH = 60;

    private const OWNED = ['gardens', 'library_items', 'dry_runs'];

    public function __construct(private Passwords $passwords)
    {
    }

    /**
     * A new grower. To the first one belongs what was here before anybody was asked.
     *
     * @throws RefusedGarden
     */
    public function make(string $name, string $password): Grower
    {
        $name = self::plain($name);
        $this->check($name, $password);

        return DB::transaction(static function () use ($name, $password): Grower {
            if (Grower::query()->where('name', $name)->lockForUpdate()->exists()) {
                throw RefusedGarden::one('/name', "is \"$name\", and somebody here has that name; take another");
            }
            $isFirst = Grower::query()->doesntExist();
            $grower = Grower::create(['name' => $name, 'password' => $password]);
            if ($isFirst) {
                foreach (self::OWNED as $table) {
                    DB::table($table)->where('owner_id', Acting::AT_THE_MACHINE)->update(['owner_id' => $grower->id]);
                }
            }

            return $grower;
        });
    }

    /** @throws RefusedGarden */
    public function setPassword(Grower $grower, string $password): void
    {
        $fault = $this->passwords->fault($password, $grower->name);
        if ($fault !== null) {
            throw RefusedGarden::one('/password', $fault);
        }
        $grower->update(['password' => $password]);
    }

    /** Takes a grower away with all that is theirs. */
    public function remove(Grower $grower): void
    {
        DB::transaction(static function () use ($grower): void {
            SignIn::endAll($grower);
            foreach (self::OWNED as $table) {
                DB::table($table)->where('owner_id', $grower->id)->delete();
            }
            DB::table('one_time_codes')->where('grower_id', $grower->id)->delete();
            $grower->delete();
        });
    }

    /** @throws RefusedGarden */
    private function check(string $name, string $password): void
    {
        $faults = [];
        if ($name === '' || mb_strlen($name) > self::NAME_LENGTH) {
            $faults[] = new Fault('/name', sprintf('has %d characters; a name has 1 to %d', mb_strlen($name), self::NAME_LENGTH));
        } elseif (preg_match('/[\p{C}]/u', $name) === 1) {
            $faults[] = new Fault('/name', 'has characters in it that cannot be seen');
        }
        $wrong = $this->passwords->fault($password, $name);
        if ($wrong !== null) {
            $faults[] = new Fault('/password', $wrong);
        }
        if ($faults !== []) {
            throw RefusedGarden::because($faults);
        }
    }

    /** As it is kept and looked up: one spelling of each letter, single blanks. */
    public static function plain(string $name): string
    {
        $composed = Normalizer::normalize($name, Normalizer::FORM_C);

        return trim(preg_replace('/\s+/u', ' ', $composed === false ? '' : $composed) ?? '');
    }
}
