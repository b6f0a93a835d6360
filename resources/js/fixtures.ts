import { execFileSync } from 'node:child_process';

/** The tests of the interface run on what the core answers today, not on a copy of what it once said. */
export function setup() {
  execFileSync('php', ['artisan', 'hollin:fixtures'], { stdio: 'inherit' });
}
