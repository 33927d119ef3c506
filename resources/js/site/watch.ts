import '@fontsource/atkinson-hyperlegible/latin-400.css';
import '@fontsource/atkinson-hyperlegible/latin-700.css';
import '@fontsource/source-serif-4/latin-400.css';
import '@fontsource/source-serif-4/latin-600.css';
import '../../sass/site.scss';
import { copyText } from '../lib/copyText';
import { setUpComments } from './comments';
import { setUpDevice } from './device';
import { findIn, lineAt, momentIn, momentLink } from './moments';
import { preparePasswords } from './passwords';
import { drawScannable } from './scannable';

/** Seconds that an arrow key goes. */
const STEP = 5;

/** Seconds of a part of the film that is counted (core/Publishing/RetentionCurve.php). */
const PART = 5;

const TELL_MS = 15_000;

const film = document.querySelector<HTMLVideoElement>('#film');
const main = document.querySelector<HTMLElement>('main[data-base]');

preparePasswords(document);
drawScannable(document);
const device = document.querySelector<HTMLElement>('main[data-device]');
if (device) {
    setUpDevice(device);
}
if (film && main) {
    const go = (milliseconds: number, plays = true) => {
        film.currentTime = milliseconds / 1000;
        if (plays) {
            void film.play().catch(() => undefined);
        }
    };
    const places = [...main.querySelectorAll<HTMLElement>('[data-at]')];
    places.forEach((one) => one.addEventListener('click', () => go(Number(one.dataset['at']))));

    follow(film, [...main.querySelectorAll<HTMLElement>('.line')]);
    search(main);
    const begins = momentIn(location.hash);
    if (begins !== null) {
        film.addEventListener('loadedmetadata', () => go(begins, false), { once: true });
        if (film.readyState > 0) {
            go(begins, false);
        }
    }
    main.querySelector<HTMLSelectElement>('#speed')?.addEventListener('change', ({ target }) => {
        film.playbackRate = Number((target as HTMLSelectElement).value);
    });
    main.querySelector('#copy-moment')?.addEventListener('click', () => {
        const link = momentLink(location.href, film.currentTime);
        const told = main.querySelector('#told');
        const say = (text: string) => told && (told.textContent = text);
        copyText(link)
            .then(() => say('Copied.'))
            .catch(() => say(link));
    });
    setUpComments(film, main, go);
    count(film, main.dataset['base'] ?? '');
    document.addEventListener('keydown', (event) => {
        const target = event.target as HTMLElement;
        if (
            event.ctrlKey ||
            event.metaKey ||
            event.altKey ||
            target.closest('input, textarea, select, button') ||
            // The player has keys of its own for what is not ours alone.
            (target.closest('video') && event.key !== 'c')
        ) {
            return;
        }
        const [track] = film.textTracks;
        const does: Record<string, () => void> = {
            ' ': () => void (film.paused ? film.play() : film.pause()),
            ArrowLeft: () => (film.currentTime -= STEP),
            ArrowRight: () => (film.currentTime += STEP),
            c: () => track && (track.mode = track.mode === 'showing' ? 'hidden' : 'showing'),
        };
        const act = does[event.key];
        if (act) {
            event.preventDefault();
            act();
        }
    });
}

/** The line that is said stays in sight while the film plays. */
function follow(of: HTMLVideoElement, lines: HTMLElement[]): void {
    const times = lines.map((line) => Number(line.dataset['at']));
    let before = -1;
    of.addEventListener('timeupdate', () => {
        const now = lineAt(times, of.currentTime * 1000);
        if (now === before) {
            return;
        }
        lines[before]?.removeAttribute('aria-current');
        lines[now]?.setAttribute('aria-current', 'true');
        const line = lines[now];
        const list = line?.closest<HTMLElement>('.lines');
        if (list && line) {
            const top = line.offsetTop - list.scrollTop;
            const isSeen = top >= 0 && top + line.offsetHeight <= list.clientHeight;
            // While it plays, what comes next is seen as well.
            if (!of.paused || !isSeen) {
                list.scrollTop = line.offsetTop - list.clientHeight / 3;
            }
        }
        before = now;
    });
}

/** Marks the lines in which words are found; Enter goes from one to the next. */
function search(page: HTMLElement): void {
    const field = page.querySelector<HTMLInputElement>('#find');
    const told = page.querySelector('#found');
    const lines = [...page.querySelectorAll<HTMLElement>('.line')];
    let at = -1;
    const found = () =>
        findIn(
            lines.map((line) => line.textContent ?? ''),
            field?.value ?? '',
        );
    field?.addEventListener('input', () => {
        at = -1;
        const hits = new Set(found());
        lines.forEach((line, n) => line.classList.toggle('is-found', hits.has(n)));
        if (told) {
            told.textContent =
                field.value.trim() === '' ? '' : `${hits.size || 'No'} ${hits.size === 1 ? 'line' : 'lines'}`;
        }
    });
    field?.addEventListener('keydown', (event) => {
        const hits = found();
        if (event.key === 'Enter' && hits.length > 0) {
            event.preventDefault();
            at = (at + 1) % hits.length;
            lines[hits[at] ?? 0]?.click();
            field.focus();
        }
    });
}

/** Tells which parts of the film are seen, each once: numbers, so that its maker knows where viewers leave. */
function count(of: HTMLVideoElement, base: string): void {
    const told = new Set<number>();
    let waiting: number[] = [];
    const tell = () => {
        if (waiting.length > 0) {
            const body = new Blob([JSON.stringify({ parts: waiting })], { type: 'application/json' });
            navigator.sendBeacon(`${base}/watched`, body);
            waiting = [];
        }
    };
    of.addEventListener('timeupdate', () => {
        const part = Math.floor(of.currentTime / PART);
        if (!of.paused && !told.has(part)) {
            told.add(part);
            waiting.push(part);
        }
    });
    of.addEventListener('pause', tell);
    of.addEventListener('ended', tell);
    window.addEventListener('pagehide', tell);
    setInterval(tell, TELL_MS);
}
