<?php

declare(strict_types=1);

namespace App\Console;

use App\Growers\Codes;
use App\Growers\People;
use App\Growers\Purpose;
use App\Models\Device;
use App\Models\Grower;
use Illuminate\Console\Command;

/** Who grows on this machine: for bin/start, which lets the first one in, and bin/people. */
final class PeopleCommand extends Command
{
    protected $signature = 'kelp:people {do : first, list, invite, reset or remove} {name? : Whose password is set anew, or who is removed}
        {--for-good : Said with remove: their gardens go with them}';

    protected $description = 'Growers: the first one’s code, a list, an invitation, a new password, a removal';

    public function handle(Codes $codes, People $people): int
    {
        $do = $this->argument('do');

        return match ($do) {
            'first' => Grower::query()->exists() ? self::SUCCESS : $this->link(
                'Nobody grows here yet. Open this once to be the first, and to have the gardens that are here',
                $codes->make(Purpose::First),
            ),
            'invite' => $this->link('For one new grower, for a week', $codes->make(Purpose::Invitation)),
            'list' => $this->list(),
            'reset' => $this->reset($codes),
            'remove' => $this->remove($people),
            default => $this->failed('"'.(is_string($do) ? $do : '').'" is not known; there are list, invite, reset NAME and remove NAME.'),
        };
    }

    private function list(): int
    {
        foreach (Grower::query()->oldest()->get() as $grower) {
            $devices = Device::query()->where('grower_id', $grower->id)->count();
            $on = $devices === 1 ? '1 device' : "$devices devices";
            $this->line("$grower->name, since {$grower->created_at->format('Y-m-d')}, signed in on $on");
        }

        return self::SUCCESS;
    }

    private function reset(Codes $codes): int
    {
        $grower = $this->grower();

        return is_string($grower)
            ? $this->failed($grower)
            : $this->link("For $grower->name to choose a new password, for a day", $codes->make(Purpose::Reset, $grower->id));
    }

    private function remove(People $people): int
    {
        $grower = $this->grower();
        if (is_string($grower)) {
            return $this->failed($grower);
        }
        if ($this->option('for-good') !== true) {
            return $this->failed("all gardens of $grower->name go too; say so with --for-good. bin/backup keeps them before.");
        }
        $people->remove($grower);
        $this->line("$grower->name is removed, with all that was theirs.");

        return self::SUCCESS;
    }

    /** The one who is named; what to say where there is none. */
    private function grower(): Grower|string
    {
        $name = $this->argument('name');
        if (! is_string($name)) {
            return 'say who, by name; bin/people list tells the names.';
        }

        return Grower::query()->where('name', People::plain($name))->first()
            ?? "nobody here is called \"$name\"; bin/people list tells the names.";
    }

    private function link(string $says, string $code): int
    {
        $addresses = (array) config('kelp.addresses');
        $this->line($says.':');
        foreach ($addresses === [] ? [(string) config('app.url')] : $addresses as $address) {
            $this->line("  $address/join/$code");
        }

        return self::SUCCESS;
    }

    private function failed(string $why): int
    {
        $this->error("Error: $why");

        return self::FAILURE;
    }
}
