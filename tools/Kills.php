<?php

declare(strict_types=1);

namespace Tools;

use PDO;
use RuntimeException;

/**
 * Kills parts of a running copy while somebody works on it, and looks whether anything that was acknowledged is lost,
 * doubled or half written, and whether the copy comes back by itself.
 */
final class Kills
{
    /** Longest that a killed part may be away, s. */
    private const AWAY_S = 60;

    private const WHAT = [
        'php',
        'php_child',
        'web',
        'worker',
        'database',
        'database_child',
        'database_backend',
        'supervisor',
        'browser',
        'everything',
        'disk',
    ];

    /** What the copy may take when its disk is one that can be filled. */
    private const DISK = '1200M';

    /** Whether the copy lies on a disk of its own: only root makes one. */
    private bool $disk = false;

    private string $state;

    private int $port;

    /** @var resource|null */
    private $writer = null;

    public function __construct(private readonly string $root, private readonly int $kills, int $seed)
    {
        mt_srand($seed);
        $this->state = trim($this->shell('state_dir kills'));
        $this->port = (int) $this->shell('free_port 9300');
    }

    private function shell(string $command): string
    {
        $root = escapeshellarg($this->root);

        return (string) shell_exec(
            'bash -c ' . escapeshellarg("ROOT={$root}; . {$root}/deploy/machine.sh; {$command}"),
        );
    }

    /** @return bool whether nothing was lost and it was back each time */
    public function run(): bool
    {
        $acknowledged = "{$this->state}.acknowledged";
        @unlink($acknowledged);
        $this->ownDisk();
        $this->start('--fresh');
        $away = [];
        try {
            $this->write($acknowledged);
            for ($n = 0; $n < $this->kills; $n++) {
                usleep(mt_rand(50, 1500) * 1000);
                $what = self::WHAT[$n % count(self::WHAT)];
                $killed = $this->kill($what);
                $since = microtime(true);
                if (in_array($what, ['supervisor', 'everything'], true)) {
                    $this->start();
                }
                $this->back();
                $away[] = microtime(true) - $since;
                printf("%3d %-17s %s, back after %.1f s\n", $n + 1, $what, $killed, end($away));
            }
            sleep(3);
        } finally {
            if ($this->writer !== null) {
                proc_terminate($this->writer);
                proc_close($this->writer);
            }
        }
        $bad = $this->wrong($acknowledged);
        sort($away);
        printf(
            "%d kills; back after %.1f s in the middle, %.1f s at most; %d acknowledged writes; %d wrong\n",
            $this->kills,
            $away[intdiv(count($away), 2)],
            end($away),
            count(file($acknowledged) ?: []),
            count($bad),
        );
        foreach (array_slice($bad, 0, 20) as $line) {
            echo "  {$line}\n";
        }
        $this->stop();
        if ($this->disk) {
            exec('umount ' . escapeshellarg($this->state));
        }

        return $bad === [];
    }

    private function ownDisk(): void
    {
        @mkdir($this->state, 0711, true);
        $this->shell('umount ' . escapeshellarg($this->state) . ' 2>/dev/null');
        exec(
            sprintf('mount -t tmpfs -o size=%s,mode=711 none %s 2>/dev/null', self::DISK, escapeshellarg($this->state)),
            $_,
            $failed,
        );
        $this->disk = $failed === 0;
        if (!$this->disk) {
            echo "no disk of its own can be made here: full disks are left out\n";
        }
    }

    /** Leaves no room at all for some seconds. */
    private function fill(): string
    {
        if (!$this->disk) {
            return 'left out';
        }
        $filler = "{$this->state}/filler";
        exec(sprintf('head -c %d /dev/zero >%s 2>/dev/null', PHP_INT_MAX, escapeshellarg($filler)));
        usleep(mt_rand(1000, 6000) * 1000);
        $left = (int) disk_free_space($this->state);
        unlink($filler);

        return "full, {$left} bytes left";
    }

    private function start(string $option = ''): void
    {
        exec(
            sprintf(
                'cd %s && HOLLIN_STATE=kills setsid nohup bin/start --port %d %s >>%s.log 2>&1 </dev/null &',
                escapeshellarg($this->root),
                $this->port,
                $option,
                escapeshellarg($this->state),
            ),
        );
        $this->back();
    }

    private function stop(): void
    {
        exec(sprintf('pkill -TERM -f %s', escapeshellarg("^bash bin/start --port {$this->port}")));
        sleep(8);
    }

    /** Waits until the copy answers with its database behind it. */
    private function back(): void
    {
        $until = microtime(true) + self::AWAY_S;
        while (microtime(true) < $until) {
            $answer = @file_get_contents(
                "http://127.0.0.1:{$this->port}/up",
                false,
                stream_context_create(['http' => ['timeout' => 3, 'ignore_errors' => true]]),
            );
            if ($answer !== false && str_contains($http_response_header[0] ?? '', ' 200')) {
                return;
            }
            usleep(100_000);
        }
        throw new RuntimeException('It is not back after ' . self::AWAY_S . ' s.');
    }

    /** @return string how many processes were killed */
    private function kill(string $what): string
    {
        if ($what === 'disk') {
            return $this->fill();
        }
        $ids = fn(string $command): array => array_values(
            array_filter(array_map(intval(...), explode("\n", (string) shell_exec($command)))),
        );
        $part = fn(string $name): int => (int) @file_get_contents("{$this->state}/parts/{$name}");
        $group = fn(string $name): array => $part($name) === 0 ? [] : $ids("pgrep -g {$part($name)}");
        $one = fn(array $of): array => $of === [] ? [] : [$of[array_rand($of)]];
        $database = array_values(
            array_filter(
                $ids('pgrep -x postgres'),
                fn(int $pid): bool => @readlink("/proc/{$pid}/cwd") === "{$this->state}/pg/data",
            ),
        );
        $supervisors = $ids(sprintf('pgrep -f %s', escapeshellarg("^bash bin/start --port {$this->port}")));
        $like = fn(string $words): array => array_filter(
            $database,
            fn(int $pid): bool => str_contains((string) @file_get_contents("/proc/{$pid}/cmdline"), $words),
        );
        $pids = match ($what) {
            'php', 'web', 'worker', 'database' => [$part($what)],
            'php_child' => $one(array_values(array_diff($group('php'), [$part('php')]))),
            'database_child' => $one(array_values($like('writer'))),
            'database_backend' => $one(array_values($like('postgres: hollin'))),
            'supervisor' => $supervisors,
            'browser' => array_values(array_diff($group('worker'), [$part('worker')])),
            default => [...$supervisors, ...$group('php'), ...$group('web'), ...$group('worker'), ...$database],
        };
        foreach (array_filter($pids) as $pid) {
            posix_kill($pid, SIGKILL);
        }

        return sprintf('%d killed', count(array_filter($pids)));
    }

    private function write(string $acknowledged): void
    {
        $this->writer =
            proc_open(
                [PHP_BINARY, "{$this->root}/tools/kills.php", 'write', "http://127.0.0.1:{$this->port}", $acknowledged],
                [['file', '/dev/null', 'r'], STDOUT, STDERR],
                $pipes,
            ) ?:
            null;
        $this->writer ?? throw new RuntimeException('The writer did not start.');
    }

    /** @return list<string> what was acknowledged and is not there once and whole; and whatever else does not fit */
    private function wrong(string $acknowledged): array
    {
        $env = [];
        foreach (file("{$this->state}/env") ?: [] as $line) {
            if (preg_match('/^export (\w+)=(.*)$/', trim($line), $m) === 1) {
                $env[$m[1]] = stripslashes($m[2]);
            }
        }
        $db = new PDO(
            "pgsql:host=127.0.0.1;port={$env['DB_PORT']};dbname={$env['DB_DATABASE']}",
            $env['DB_USERNAME'],
            $env['DB_PASSWORD'],
        );
        $rows = fn(string $sql): array => ($db->query($sql) ?: throw new RuntimeException($sql))->fetchAll(
            PDO::FETCH_ASSOC,
        );
        $bad = [];
        $revisions = array_column(
            $rows('select uuid, number, rig_job_id, document, sha256 from revisions'),
            null,
            'uuid',
        );
        $photos = array_column($rows('select id, sha256, bytes, status from photos'), null, 'id');
        foreach (file($acknowledged, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$kind, $id, $value] = explode(' ', $line);
            if ($kind === 'edit' && (int) ($revisions[$id]['number'] ?? 0) !== (int) $value) {
                $bad[] =
                    "edit {$id} was acknowledged as revision {$value} and is " .
                    ($revisions[$id]['number'] ?? 'not there');
            }
            if ($kind === 'photo') {
                $photo = $photos[$id] ?? null;
                $file =
                    $photo === null
                        ? ''
                        : "{$this->state}/storage/app/private/photos/" .
                            substr($photo['sha256'], 0, 2) .
                            "/{$photo['sha256']}.jpg";
                if ($photo === null || $photo['status'] === 'failed') {
                    $bad[] = "photograph {$id} was acknowledged and is " . ($photo['status'] ?? 'not there');
                } elseif ($photo['status'] === 'kept' && @hash_file('sha256', $file) !== $photo['sha256']) {
                    $bad[] = "photograph {$id} is not whole";
                }
            }
        }
        foreach ($revisions as $uuid => $revision) {
            if (hash('sha256', (string) $revision['document']) !== $revision['sha256']) {
                $bad[] = "revision {$revision['number']} ({$uuid}) is not what it was";
            }
        }
        foreach (
            $rows(
                'select j.id, j.head, count(*) as n, max(r.number) as last from rig_jobs j join revisions r on ' .
                    'r.rig_job_id = j.id group by j.id, j.head',
            )
            as $job
        ) {
            if ($job['head'] != $job['n'] || $job['head'] != $job['last']) {
                $bad[] = "job {$job['id']} has head {$job['head']}, {$job['n']} revisions up to {$job['last']}";
            }
        }

        return $bad;
    }
}
