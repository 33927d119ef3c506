<?php declare(strict_types=1); ?>
<script>
    // cmi5 (xAPI profile, Quartz 1.0): whoever launches this page says in its address where statements go.
    const said = new URLSearchParams(location.search);
    const endpoint = (said.get('endpoint') ?? '').replace(/\/?$/, '/');
    const registration = said.get('registration') ?? '';
    const activityId = said.get('activityId') ?? '';
    const VERBS = 'http://adlnet.gov/expapi/verbs/';
    const CMI5 = 'https://w3id.org/xapi/cmi5/context/categories/';
    let token = '';
    let launch = { launchMode: 'Browse', contextTemplate: {} };
    let actor = {};
    let isCompleted = false;
    let isOver = false;
    const headers = () => ({
        Authorization: `Basic ${token}`,
        'Content-Type': 'application/json',
        'X-Experience-API-Version': '1.0.3',
    });
    const ask = async (path, values) => {
        const answer = await fetch(`${endpoint}${path}?${new URLSearchParams(values)}`, { headers: headers() });
        return answer.ok ? answer.json() : null;
    };
    /** Of version 4 (RFC 9562); the browser's own is there over HTTPS only. */
    const uuid = () =>
        '10000000-1000-4000-8000-100000000000'.replace(/[018]/g, (digit) =>
            (digit ^ (crypto.getRandomValues(new Uint8Array(1))[0] & (15 >> (digit / 4)))).toString(16));
    /** An ISO 8601 duration, to hundredths of a second. */
    const spent = () => `PT${((Date.now() - began) / 1000).toFixed(2)}S`;
    const tell = (verb, result, ...categories) => {
        const template = launch.contextTemplate ?? {};
        const statement = {
            id: uuid(),
            timestamp: new Date().toISOString(),
            actor,
            verb: { id: `${VERBS}${verb}`, display: { 'en-US': verb } },
            object: { objectType: 'Activity', id: activityId },
            context: {
                ...template,
                registration,
                contextActivities: {
                    ...template.contextActivities,
                    category: ['cmi5', ...categories].map((name) => ({ objectType: 'Activity', id: CMI5 + name })),
                },
            },
            ...(result ? { result } : {}),
        };
        // Also while the page is being left.
        return fetch(`${endpoint}statements?statementId=${statement.id}`, {
            method: 'PUT',
            headers: headers(),
            body: JSON.stringify(statement),
            keepalive: true,
        }).catch(() => undefined);
    };
    const keep = () => {
        if (!isCompleted && launch.launchMode === 'Normal' && isDone()) {
            isCompleted = true;
            void tell('completed', { completion: true, duration: spent() }, 'moveon');
        }
    };
    const leave = () => {
        if (!isOver) {
            isOver = true;
            keep();
            void tell('terminated', { duration: spent() });
        }
    };
    const begin = async () => {
        actor = JSON.parse(said.get('actor') ?? '{}');
        const given = await (await fetch(said.get('fetch'), { method: 'POST' })).json();
        token = given['auth-token'] ?? '';
        const who = JSON.stringify(actor);
        launch =
            (await ask('activities/state', { activityId, agent: who, registration, stateId: 'LMS.LaunchData' })) ?? launch;
        await ask('agents/profile', { agent: who, profileId: 'cmi5LearnerPreferences' });
        await tell('initialized');
        whileSeen(keep);
        window.addEventListener('pagehide', leave);
    };
    if (said.has('fetch') && said.has('endpoint')) {
        // Where nobody answers the film plays all the same.
        begin().catch(() => undefined);
    }
</script>
