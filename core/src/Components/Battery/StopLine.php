<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Job\Field;

/** The wire by which a battery's management stops a charger before it has to open. */
trait StopLine
{
    /** @return array<string, Field> */
    protected static function stopField(): array
    {
        return [
            'stoppedBy' => Field::ref('Charge-stop line from', 'battery_bank')
                ->optional()
                ->note('the battery whose management stops this charger before it opens; none where left out'),
        ];
    }

    /** The contact of the management whose opening stops it; null where no line is run. */
    protected function stop(): ?string
    {
        $bank = $this->values->text('stoppedBy');

        return $bank === '' ? null : "{$bank}.bms_pole";
    }

    /**
     * @param array<string, Component> $others
     * @return list<array{string, string}>
     */
    protected function stopProblems(array $others): array
    {
        $id = $this->values->text('stoppedBy');
        $bank = $others[$id] ?? null;
        if ($id === '') {
            return [];
        }

        return $bank instanceof Bank && !$bank->isSwitched()
            ? [
                [
                    '/stoppedBy',
                    sprintf('%s has no management that opens: say first how it does ("management").', $bank->label()),
                ],
            ]
            : $this->mustBe($others, '/stoppedBy', $id, Bank::class);
    }
}
