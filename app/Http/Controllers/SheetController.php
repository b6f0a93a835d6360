<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Auth\Audit;
use App\Auth\OneUse;
use App\Files\Shelf;
use App\Http\Middleware\PrintsOneSheet;
use App\Jobs\PrintSheet;
use App\Models\Happening;
use App\Models\RigJob;
use App\Models\Sheet;
use App\Models\User;
use Hollin\Core\Plan\Refused;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Plan sheets as PDF: asked for, printed by the queue's worker, fetched when done. */
final class SheetController
{
    /** Sheets of one person that may wait at once. */
    private const MOST_WAITING = 5;

    #[OA\Post(path: '/jobs/{job}/sheets', operationId: 'printSheet', summary: 'Have a plan sheet printed to PDF.')]
    #[OA\Parameter(name: 'job', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['view', 'paper'],
                properties: [
                    new OA\Property(property: 'view', type: 'string'),
                    new OA\Property(property: 'paper', type: 'string', enum: ['letter', 'a4']),
                ],
            ),
        ),
    ]
    #[OA\Response(response: 202, description: 'Queued', content: new OA\JsonContent(ref: '#/components/schemas/Sheet'))]
    #[
        OA\Response(
            response: 422,
            description: 'Too many wait already',
            content: new OA\JsonContent(ref: '#/components/schemas/Trouble'),
        ),
    ]
    public function store(Request $request, RigJob $job): JsonResponse
    {
        Gate::authorize('view', $job);
        $given = $request->validate([
            'view' => ['required', 'string', 'max:120', 'regex:/^[a-z0-9_\/]+$/'],
            'paper' => ['required', Rule::in(['letter', 'a4'])],
        ]);
        $user = User::of($request);
        $waiting = Sheet::query()
            ->where('user_id', $user->id)
            ->whereIn('status', ['waiting', 'printing'])
            ->count();
        if ($waiting >= self::MOST_WAITING) {
            throw Refused::because(
                '',
                sprintf('%d sheets of yours wait to be printed. Let them come first.', $waiting),
            );
        }
        $sheet = Sheet::query()->create([
            'rig_job_id' => $job->id,
            'user_id' => $user->id,
            'revision' => $job->head,
            'view' => $given['view'],
            'paper' => $given['paper'],
            'status' => 'waiting',
        ]);
        PrintSheet::dispatch($sheet->id);

        return response()->json(self::row($sheet->fresh() ?? $sheet), 202);
    }

    #[OA\Get(path: '/sheets/{sheet}', operationId: 'sheet', summary: 'How far a sheet is.')]
    #[OA\Parameter(name: 'sheet', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[
        OA\Response(
            response: 200,
            description: 'The sheet',
            content: new OA\JsonContent(ref: '#/components/schemas/Sheet'),
        ),
    ]
    public function show(Sheet $sheet): JsonResponse
    {
        Gate::authorize('view', $sheet->rigJob);

        return response()->json(self::row($sheet));
    }

    #[OA\Get(path: '/sheets/{sheet}/pdf', operationId: 'sheetPdf', summary: 'The printed sheet.')]
    #[OA\Parameter(name: 'sheet', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))]
    #[OA\Response(response: 200, description: 'PDF', content: new OA\MediaType(mediaType: 'application/pdf'))]
    public function pdf(Request $request, Sheet $sheet): StreamedResponse
    {
        Gate::authorize('view', $sheet->rigJob);
        abort_if($sheet->file === null || !Shelf::disk()->exists($sheet->file), 404, 'The sheet is not printed yet.');
        Audit::note(Happening::Exported, User::of($request), [
            'thing' => "the sheet of {$sheet->view}",
            'job' => $sheet->rig_job_id,
            'revision' => $sheet->revision,
        ]);

        return Shelf::disk()->download(
            (string) $sheet->file,
            "plan-sheet-{$sheet->rig_job_id}-r{$sheet->revision}.pdf",
            ['Content-Type' => 'application/pdf'],
        );
    }

    /** The one-use way in for the printing browser: only from this machine, only while the sheet is being printed. */
    public function enter(Request $request): RedirectResponse
    {
        abort_unless(in_array($request->server('REMOTE_ADDR'), ['127.0.0.1', '::1'], true), 403);
        $sheet = Sheet::query()
            ->where('token_hash', OneUse::hash($request->string('token')->toString()))
            ->where('status', 'printing')
            ->firstOrFail();
        $sheet->update(['token_hash' => null]);
        assert($sheet->user instanceof User);
        Auth::login($sheet->user);
        $request->session()->put(PrintsOneSheet::KEY, $sheet->id);

        // Labels are a view of their own: labels, the plan, the stock.
        if (preg_match('#^labels/([a-z0-9_]+)/([a-z0-9_]+)$#', $sheet->view, $m) === 1) {
            return redirect("/jobs/{$sheet->rig_job_id}/label-sheets?plan={$m[1]}&stock={$m[2]}");
        }

        return redirect(
            "/jobs/{$sheet->rig_job_id}/sheet?view=" .
                urlencode($sheet->view) .
                "&revision={$sheet->revision}&paper={$sheet->paper}",
        );
    }

    /** @return array<string, mixed> */
    private static function row(Sheet $sheet): array
    {
        return ['id' => $sheet->id, 'status' => $sheet->status, 'trouble' => $sheet->trouble];
    }
}
