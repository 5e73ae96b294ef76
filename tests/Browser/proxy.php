<?php

declare(strict_types=1);

// Stands between the browser and the application, and holds back, drops or repeats what its rules say:
//   php proxy.php PORT OF THE APPLICATION
// It says its own port on its first line. Rules are put to /__rules as a JSON list, the first that fits a request counts:
//   {"path": "a regular expression", "method": "POST", "times": 1, and one or more of:
//    "ms": 3000            its answer comes so much later
//    "most_ms": 700        its answer comes up to so much later, by the next number of "seed"
//    "drop": true          it is done, and its answer is lost
//    "refuse": true        nobody answers
//    "repeat": true        it is sent twice}
// GET /__seen gives how many requests each rule has met.

final class Proxy
{
    /** @var array<int, array<string, mixed>> who asks, what came in, what goes out and when, and by which rule */
    private array $open = [];

    /** @var list<array<string, mixed>> */
    private array $rules = [];

    private int $number = 0;

    private Random\Engine\Mt19937 $chance;

    /** @param  resource  $server */
    public function __construct(private $server, private readonly int $port)
    {
        $this->chance = new Random\Engine\Mt19937(1);
    }

    public function serve(): void
    {
        while (true) {
            $read = [$this->server];
            $write = [];
            foreach ($this->open as $one) {
                $read[] = $one['upstream'] ?? $one['socket'];
                if ($one['out'] !== '' && $one['due'] <= microtime(true)) {
                    $write[] = $one['socket'];
                }
            }
            $none = null;
            if (stream_select($read, $write, $none, 0, 5000) > 0) {
                foreach ($read as $socket) {
                    $socket === $this->server ? $this->accept() : $this->read($socket);
                }
            }
            foreach ($this->open as $id => $one) {
                if ($one['out'] !== '' && $one['due'] <= microtime(true)) {
                    $this->write($id);
                }
            }
        }
    }

    private function accept(): void
    {
        $socket = stream_socket_accept($this->server, 0);
        if ($socket !== false) {
            stream_set_blocking($socket, false);
            $this->open[++$this->number] = [
                'socket' => $socket, 'in' => '', 'out' => '', 'upstream' => null, 'answer' => '', 'due' => 0.0, 'rule' => [],
            ];
        }
    }

    /** @param  resource  $socket */
    private function read($socket): void
    {
        foreach ($this->open as $id => $one) {
            if ($one['socket'] === $socket && $one['upstream'] === null) {
                $this->readRequest($id);
            } elseif ($one['upstream'] === $socket) {
                $this->readAnswer($id);
            }
        }
    }

    private function readRequest(int $id): void
    {
        $part = fread($this->open[$id]['socket'], 65536);
        if ($part === '' || $part === false) {
            if (feof($this->open[$id]['socket'])) {
                $this->close($id);
            }

            return;
        }
        $this->open[$id]['in'] .= $part;
        $in = $this->open[$id]['in'];
        $end = strpos($in, "\r\n\r\n");
        if ($end === false) {
            return;
        }
        $length = preg_match('/^content-length:\s*(\d+)/mi', substr($in, 0, $end), $m) === 1 ? (int) $m[1] : 0;
        if (strlen($in) >= $end + 4 + $length) {
            $this->ask($id, substr($in, 0, $end), substr($in, $end + 4, $length));
        }
    }

    private function ask(int $id, string $head, string $body): void
    {
        [$method, $path] = explode(' ', $head, 3);
        if ($path === '/__rules' || $path === '/__seen') {
            if ($path === '/__rules') {
                $this->rules = json_decode($body, true);
                $this->chance = new Random\Engine\Mt19937((int) ($this->rules[0]['seed'] ?? 1));
            }
            $said = json_encode(array_map(static fn (array $rule): int => $rule['seen'] ?? 0, $this->rules));
            $this->open[$id]['out'] = "HTTP/1.1 200 OK\r\nContent-Type: application/json\r\nConnection: close\r\nContent-Length: "
                .strlen($said)."\r\n\r\n$said";

            return;
        }
        $rule = $this->rule($method, $path);
        if ($rule['refuse'] ?? false) {
            $this->close($id);

            return;
        }
        // Its name stays as it is: pages and their parts are asked for where the browser asked.
        $head = preg_replace('/^connection:.*\r\n/mi', '', $head)."\r\nConnection: close";
        foreach (range(0, ($rule['repeat'] ?? false) ? 1 : 0) as $time) {
            $upstream = stream_socket_client("tcp://127.0.0.1:$this->port", $code, $why, 5);
            if ($upstream === false) {
                $this->close($id);

                return;
            }
            fwrite($upstream, "$head\r\n\r\n$body");
            stream_set_blocking($upstream, false);
            if ($time === 0) {
                $this->open[$id]['upstream'] = $upstream;
                $this->open[$id]['rule'] = $rule;
            } else {
                // The answer to the second is nobody's.
                $this->open[++$this->number] = ['rule' => ['drop' => true], 'upstream' => $upstream] + ['in' => ''] + $this->open[$id];
            }
        }
    }

    /** @return array<string, mixed> */
    private function rule(string $method, string $path): array
    {
        foreach ($this->rules as $i => $rule) {
            $fits = preg_match('#'.$rule['path'].'#', $path) === 1 && ($rule['method'] ?? $method) === $method;
            if ($fits && ($rule['seen'] ?? 0) < ($rule['times'] ?? PHP_INT_MAX)) {
                $this->rules[$i]['seen'] = ($rule['seen'] ?? 0) + 1;

                return $rule;
            }
        }

        return [];
    }

    private function readAnswer(int $id): void
    {
        $one = $this->open[$id];
        $part = fread($one['upstream'], 262144);
        $this->open[$id]['answer'] .= (string) $part;
        if (! feof($one['upstream'])) {
            return;
        }
        fclose($one['upstream']);
        $this->open[$id]['upstream'] = null;
        if ($one['rule']['drop'] ?? false) {
            $this->close($id);

            return;
        }
        $late = $one['rule']['ms'] ?? 0;
        if (isset($one['rule']['most_ms'])) {
            $late += (new Random\Randomizer($this->chance))->getInt(0, (int) $one['rule']['most_ms']);
        }
        $this->open[$id]['out'] = $this->open[$id]['answer'];
        $this->open[$id]['due'] = microtime(true) + $late / 1000;
    }

    private function write(int $id): void
    {
        $written = @fwrite($this->open[$id]['socket'], $this->open[$id]['out']);
        $this->open[$id]['out'] = substr($this->open[$id]['out'], max(0, (int) $written));
        if ($written === false || $this->open[$id]['out'] === '') {
            $this->close($id);
        }
    }

    private function close(int $id): void
    {
        if (is_resource($this->open[$id]['socket'])) {
            fclose($this->open[$id]['socket']);
        }
        unset($this->open[$id]);
    }
}

$server = stream_socket_server('tcp://127.0.0.1:0', $code, $why);
if ($server === false) {
    fwrite(STDERR, "no port: $why\n");
    exit(1);
}
stream_set_blocking($server, false);
echo substr((string) strrchr((string) stream_socket_get_name($server, false), ':'), 1), "\n";
(new Proxy($server, (int) ($argv[1] ?? 0)))->serve();
