<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Auth\OneUse;
use App\Files\Shelf;
use App\Models\Sheet;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Symfony\Component\Process\Process;
use Throwable;

/** Prints a plan sheet: headless Chromium on the application's own print page, every other host blocked. */
final class PrintSheet implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;

    public int $tries = 2;

    public int $timeout = 90;

    public function __construct(private readonly int $sheetId) {}

    public function handle(): void
    {
        $sheet = Sheet::query()->findOrFail($this->sheetId);
        [$token, $hash] = OneUse::token();
        $sheet->update(['status' => 'printing', 'token_hash' => $hash, 'trouble' => null]);
        $folder = sys_get_temp_dir() . '/hollin-print-' . Str::random(12);
        File::makeDirectory($folder, 0700);
        try {
            // On a command line everybody on the machine could read the token: it stands in a file of this user's.
            File::put("{$folder}/enter.html", self::entry($token));
            File::chmod("{$folder}/enter.html", 0600);
            $process = new Process(
                [
                    config('hollin.chromium'),
                    '--headless',
                    '--disable-gpu',
                    '--no-first-run',
                    '--disable-background-networking',
                    '--disable-component-update',
                    '--disable-sync',
                    '--disable-extensions',
                    // As root Chromium has no sandbox of its own; bin/start runs the worker as an ordinary user.
                    ...function_exists('posix_geteuid') && posix_geteuid() === 0 ? ['--no-sandbox'] : [],
                    '--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1',
                    "--user-data-dir={$folder}/profile",
                    '--no-pdf-header-footer',
                    '--virtual-time-budget=15000',
                    "--print-to-pdf={$folder}/sheet.pdf",
                    "file://{$folder}/enter.html",
                ],
                $folder,
                ['HOME' => $folder],
            );
            $process->setTimeout((float) config('hollin.print_seconds'));
            $process->mustRun();
            if (!is_file("{$folder}/sheet.pdf") || filesize("{$folder}/sheet.pdf") < 2000) {
                throw new \RuntimeException('The browser printed nothing.');
            }
            $file = "sheets/{$sheet->id}.pdf";
            Shelf::put($file, (string) file_get_contents("{$folder}/sheet.pdf"));
            $sheet->update(['status' => 'done', 'file' => $file, 'token_hash' => null]);
        } finally {
            File::deleteDirectory($folder);
        }
    }

    /** A page that takes its browser in. */
    private static function entry(string $token): string
    {
        return sprintf(
            '<!doctype html><meta charset="utf-8"><title>Hollin</title><form method="post" action="%s/print-entry">' .
                '<input type="hidden" name="token" value="%s"></form><script>document.forms[0].submit()</script>',
            e((string) config('hollin.loopback')),
            e($token),
        );
    }

    public function failed(?Throwable $why): void
    {
        Sheet::query()
            ->where('id', $this->sheetId)
            ->update([
                'status' => 'failed',
                'token_hash' => null,
                'trouble' =>
                    'Printing failed: ' .
                    Str::limit($why?->getMessage() ?? 'no reason given', 300) .
                    ' You can still print from the browser.',
            ]);
    }
}
