<?php declare(strict_types=1); ?>
<script>
    // SCORM 1.2 Run-Time Environment: the course site's API stands in a window above or before this one.
    const api = (() => {
        for (let from of [window, window.opener]) {
            for (let depth = 0; from && depth < 10; depth++) {
                try {
                    if (from.API) {
                        return from.API;
                    }
                } catch {
                    break;
                }
                from = from.parent === from ? null : from.parent;
            }
        }
        return null;
    })();
    let isOver = false;
    const get = (name) => api?.LMSGetValue(name) ?? '';
    const set = (name, value) => api?.LMSSetValue(name, String(value));
    // Stretches of seconds, as "0-12 30-45": what can be kept is 4096 characters long.
    const stretches = () => {
        const all = [...seen].sort((a, b) => a - b);
        const out = [];
        all.forEach((second, n) => {
            if (second === all[n - 1] + 1) {
                out[out.length - 1][1] = second;
            } else {
                out.push([second, second]);
            }
        });
        return out.map(([from, until]) => `${from}-${until}`).join(' ').slice(0, 4096);
    };
    const keep = () => {
        set('cmi.core.lesson_location', Math.floor(film.currentTime));
        set('cmi.suspend_data', stretches());
        if (isDone()) {
            set('cmi.core.lesson_status', 'completed');
        }
        api?.LMSCommit('');
    };
    const clock = (seconds) =>
        [seconds / 3600, (seconds / 60) % 60, seconds % 60].map((part) => String(Math.floor(part)).padStart(2, '0')).join(':');
    const leave = () => {
        if (isOver) {
            return;
        }
        isOver = true;
        keep();
        set('cmi.core.session_time', clock((Date.now() - began) / 1000).padStart(10, '0'));
        set('cmi.core.exit', isDone() ? '' : 'suspend');
        api?.LMSFinish('');
    };
    if (api) {
        api.LMSInitialize('');
        for (const [, from, until] of get('cmi.suspend_data').matchAll(/(\d+)-(\d+)/g)) {
            for (let second = Number(from); second <= Math.min(Number(until), 86400); second++) {
                seen.add(second);
            }
        }
        if (!['completed', 'passed'].includes(get('cmi.core.lesson_status'))) {
            set('cmi.core.lesson_status', 'incomplete');
        }
        const at = Number(get('cmi.core.lesson_location'));
        if (at > 0) {
            film.addEventListener('loadedmetadata', () => (film.currentTime = at), { once: true });
        }
        whileSeen(keep);
        window.addEventListener('pagehide', leave);
    }
</script>
