// What the web server of an address holds in memory.
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** Megabytes that processes hold by themselves, and their part of what they share. */
export const held = (pids) =>
    pids.reduce((sum, pid) => {
        try {
            return sum + Number(/^Pss:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8'))[1]) / 1024;
        } catch {
            return sum;
        }
    }, 0);

/** Process numbers of nginx and PHP-FPM behind an address that `bin/serve` serves. */
export function serverOf(address) {
    const found = (...how) => {
        try {
            return execFileSync('pgrep', how, { encoding: 'utf8' }).trim().split('\n');
        } catch {
            return [];
        }
    };
    const first = found('-f', '--', `^(php-fpm|nginx): master .*serve/${new URL(address).port}/`);
    return [...first, ...first.flatMap((pid) => found('-P', pid))];
}
