<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Hollin\Core\Answers\Asking;
use Hollin\Core\Job\BadJobFile;
use Hollin\Core\Job\Problem;
use Hollin\Core\Plan\Refused;
use Illuminate\Console\Command;
use stdClass;
use Symfony\Component\Console\Output\OutputInterface;
use Throwable;

/** Answers a program's questions about job files, without the database. */
final class AskAnswers extends Command
{
    private const UNREADABLE = 2;

    private const MOST_BYTES = 50_000_000;

    protected $signature = 'hollin:ask';

    protected $description =
        'Questions as a JSON array on standard input, answers as one on standard output; ' .
        'an error of one question stands among the answers of the others. docs/job-file.md has the questions';

    public function handle(): int
    {
        $text = (string) stream_get_contents(STDIN, self::MOST_BYTES + 1);
        $questions = strlen($text) > self::MOST_BYTES ? null : json_decode($text);
        if (!is_array($questions) || !array_is_list($questions)) {
            fwrite(STDERR, sprintf("standard input must be a JSON array of at most %d MB.\n", self::MOST_BYTES / 1e6));

            return self::UNREADABLE;
        }
        $this->output->write('[', false, OutputInterface::OUTPUT_RAW);
        foreach ($questions as $n => $question) {
            $this->output->write(($n === 0 ? '' : ',') . self::said($question), false, OutputInterface::OUTPUT_RAW);
        }
        $this->output->writeln(']', OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    /** @return string JSON: {"ok": answer}, or {"error": words, "problems": […]} */
    private static function said(mixed $question): string
    {
        $problems = null;
        try {
            $answer = [
                'ok' => Asking::answer(
                    $question instanceof stdClass
                        ? $question
                        : throw Refused::because('', 'must be an object with kind and doc.'),
                ),
            ];
        } catch (Refused | BadJobFile $e) {
            $problems = array_map(fn(Problem $p): array => $p->toArray(), $e->problems);
            $answer = ['error' => $e->getMessage(), 'problems' => $problems];
        } catch (Throwable $e) {
            report($e);
            $answer = [
                'error' => sprintf('no answer: %s, %s:%d', $e->getMessage(), basename($e->getFile()), $e->getLine()),
                'problems' => null,
            ];
        }

        return json_encode(
            $answer,
            JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        );
    }
}
