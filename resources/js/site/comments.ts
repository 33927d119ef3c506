import { clock } from '../lib/time';

interface Said {
    id: string;
    name: string;
    by_presenter: boolean;
    text: string;
}

interface Comment extends Said {
    at_ms: number;
    version: number;
    done_in: number | null;
    answers: Said[];
    /** So many came at once that somebody is to look at it first. */
    held?: true;
}

const kept = 'watch-comment';

/** Comments at moments of the film: shown, and said. */
export function setUpComments(film: HTMLVideoElement, page: HTMLElement, go: (milliseconds: number) => void): void {
    const list = page.querySelector<HTMLElement>('#comments');
    const form = page.querySelector<HTMLFormElement>('#say');
    const told = document.querySelector('#said')?.textContent ?? '{}';
    if (!list || !form) {
        return;
    }
    const field = (name: string) => form.elements.namedItem(name) as HTMLInputElement | HTMLTextAreaElement;
    const moment = form.querySelector<HTMLElement>('#moment');
    const none = form.querySelector<HTMLElement>('#answer-none');
    const problem = form.querySelector<HTMLElement>('#say-problem');
    const say = (text: string) => problem && (problem.textContent = text);
    let answers: Comment | null = null;
    /** Where the film stood when it was begun to be written. */
    let at: number | null = null;
    const place = () => answers?.at_ms ?? at ?? Math.round(film.currentTime * 1000);
    const showPlace = () => {
        if (moment && none) {
            moment.textContent = answers ? `${clock(place())}, an answer to ${answers.name}` : clock(place());
            none.hidden = answers === null;
        }
    };
    const answer = (to: Comment | null) => {
        answers = to;
        showPlace();
        if (to) {
            field('text').focus();
        }
    };
    const show = (all: Comment[]) => list.replaceChildren(...all.map((one) => drawn(one, go, () => answer(one))));

    show((JSON.parse(told) as { comments?: Comment[] }).comments ?? []);
    film.addEventListener('timeupdate', showPlace);
    field('text').addEventListener('input', () => {
        at ??= Math.round(film.currentTime * 1000);
        if (field('text').value === '') {
            at = null;
        }
        keep();
        showPlace();
    });
    field('name').addEventListener('input', () => keep());
    none?.addEventListener('click', () => answer(null));

    // What was typed is still there when the page is opened again.
    const keep = () => {
        try {
            const own = { name: field('name').value, text: field('text').value, at, page: location.pathname };
            localStorage.setItem(kept, JSON.stringify(own));
        } catch {
            // Then it is not.
        }
    };
    try {
        const before = JSON.parse(localStorage.getItem(kept) ?? '{}') as Record<string, string | number | null>;
        field('name').value = String(before['name'] ?? '');
        if (before['page'] === location.pathname && before['text']) {
            field('text').value = String(before['text']);
            at = typeof before['at'] === 'number' ? before['at'] : null;
        }
    } catch {
        // Nothing was kept that can be read.
    }
    showPlace();

    form.addEventListener('submit', (event) => {
        event.preventDefault();
        const button = form.querySelector<HTMLButtonElement>('.send');
        const body = {
            name: field('name').value,
            text: field('text').value,
            at_ms: place(),
            answers: answers?.id ?? null,
        };
        button?.toggleAttribute('disabled', true);
        say('');
        fetch(`${page.dataset['base']}/comments`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-Open-Reel': '1' },
            body: JSON.stringify(body),
        })
            .then(async (response) => {
                const said = (await response.json()) as Comment[] | { detail?: string };
                if (!response.ok || !Array.isArray(said)) {
                    say((said as { detail?: string }).detail ?? 'That did not work. What you wrote is still here.');
                    return;
                }
                field('text').value = '';
                at = null;
                answers = null;
                keep();
                showPlace();
                show(said);
            })
            .catch(() => say('The server cannot be reached. What you wrote is still here; try again in a moment.'))
            .finally(() => button?.toggleAttribute('disabled', false));
    });
}

function drawn(one: Comment, go: (milliseconds: number) => void, onAnswer: () => void): HTMLElement {
    const item = document.createElement('li');
    const time = button(clock(one.at_ms), () => go(one.at_ms));
    time.className = 'time';
    item.append(time, ...saying(one));
    if (one.held) {
        item.append(text('p', 'Others see it once somebody has looked at it.', 'done'));
    }
    if (one.done_in !== null) {
        item.append(text('p', `Put right in version ${one.done_in}.`, 'done'));
    }
    const answers = document.createElement('ul');
    answers.append(
        ...one.answers.map((said) => {
            const own = document.createElement('li');
            own.append(...saying(said));
            return own;
        }),
    );
    if (one.answers.length > 0) {
        item.append(answers);
    }
    if (!one.held) {
        item.append(button('Answer', onAnswer));
    }
    return item;
}

const saying = (said: Said): HTMLElement[] => [
    text('b', said.by_presenter ? `${said.name} (presenter)` : said.name),
    text('p', said.text),
];

function text(tag: string, content: string, kind = ''): HTMLElement {
    const element = document.createElement(tag);
    element.textContent = content;
    element.className = kind;
    return element;
}

function button(label: string, act: () => void): HTMLButtonElement {
    const element = document.createElement('button');
    element.type = 'button';
    element.textContent = label;
    element.addEventListener('click', act);
    return element;
}
