// Requests that change a sheet go out one after the other, each with the revision that the page shows by then. So every answer is put
// in place in its order, and no row is drawn twice, however late an answer comes.

const sheet = document.querySelector('[data-base]');
const base = sheet?.dataset.base;
const waiting = [];
let current = null;
let pressed = false;
/** Whether the page is being left, so that nothing can wait for its turn any more. */
let leaving = false;
/** Whether a request is made for which it was already the turn. */
let itsTurn = false;

/** Whether a request changes the sheet or the inspector, and so has its turn. */
const hasTurn = (path) => base && path.startsWith(`${base}/`)
    && !/\/(find|dependents|history|sentence|check|several)\b/.test(path);

document.addEventListener('htmx:confirm', (event) => {
    const { path, verb, elt } = event.detail;
    if (itsTurn || !hasTurn(path) || event.detail.question) {
        return;
    }
    event.preventDefault();
    if (verb === 'get' && /\/inspector\b/.test(path)) {
        // Only the row that was selected last is of interest.
        waiting.splice(0, waiting.length, ...waiting.filter((other) => !other.looks));
    }
    const turn = { issue: () => event.detail.issueRequest(true), looks: verb === 'get' && /\/inspector\b/.test(path), path, verb, elt,
        target: event.detail.target, etc: event.detail.etc ?? {} };
    if (leaving) {
        sendAlone(turn);
    } else {
        waiting.push(turn);
        next();
    }
});

/** The attribute of an element, or of the nearest element around it where none between keeps it to itself. */
function inherited(elt, name) {
    for (let at = elt; at; at = at.parentElement) {
        const kept = at === elt ? [] : at.getAttribute('hx-disinherit')?.split(' ') ?? [];
        if (kept.includes('*') || kept.includes(name)) {
            return undefined;
        }
        if (at.hasAttribute(name)) {
            return at.getAttribute(name);
        }
    }
    return undefined;
}

/** What a request says: what it was made with, or else what stands in the fields of its element. */
function said({ elt, verb, etc }) {
    if (etc.values instanceof FormData) {
        return [...etc.values];
    }
    const more = JSON.parse(inherited(elt, 'hx-vals') ?? '{}');
    return Object.entries({ ...htmx.values(elt, verb), ...more, ...etc.values })
        .flatMap(([name, value]) => [value].flat().map((each) => [name, each]));
}

/** Sends an edit in a way that outlives the page; nobody sees its answer. */
function sendAlone(turn) {
    if (turn.verb !== 'post') {
        return;
    }
    const body = new URLSearchParams(said(turn));
    body.set('shows', document.getElementById('state')?.dataset.revision ?? '');
    fetch(turn.path, { method: 'POST', body, keepalive: true,
        headers: { ...JSON.parse(document.body.getAttribute('hx-headers')), 'HX-Request': 'true' } });
}

// What waits for its turn, and what stands in a field that was not left, is sent before the page goes. A download is no leaving.
addEventListener('beforeunload', () => {
    leaving = true;
    setTimeout(() => {
        leaving = false;
    });
    document.activeElement?.blur?.();
    if (current && /\/change$/.test(current.path)) {
        // The browser may drop what is on its way. A change of fields that arrives twice says the same twice.
        sendAlone(current);
    }
    waiting.splice(0, waiting.length).forEach(sendAlone);
});

/** Makes a request whose element was drawn anew while it waited; by itself such a request would not be made at all. */
function inPlaceOf(turn) {
    const { elt, target, etc, verb, path } = turn;
    const values = new FormData();
    said(turn).forEach(([name, value]) => values.append(name, value));
    itsTurn = true;
    htmx.ajax(verb.toUpperCase(), path, {
        source: document.querySelector('[data-base]'), values, headers: etc.headers,
        target: target.isConnected ? target : document.getElementById(target.id) ?? document.querySelector('[data-base]'),
        swap: etc.swapOverride ?? inherited(elt, 'hx-swap') ?? 'innerHTML',
        select: inherited(elt, 'hx-select'),
        push: inherited(elt, 'hx-push-url'),
    });
    itsTurn = false;
}

function next() {
    // While a mouse button is down, an answer could take away what is about to be clicked.
    if (current || pressed || !waiting.length) {
        return;
    }
    current = waiting.shift();
    current.started = false;
    if (current.elt.isConnected) {
        current.issue();
    } else {
        inPlaceOf(current);
    }
    if (!current.started) {
        done();
    }
}

function done() {
    current = null;
    next();
    if (!busy()) {
        document.dispatchEvent(new CustomEvent('orthogon:idle'));
    }
}

document.addEventListener('htmx:beforeSend', (event) => {
    if (current && !current.started && hasTurn(event.detail.requestConfig.path)) {
        current.started = true;
        event.detail.xhr.addEventListener('loadend', () => setTimeout(done));
    }
});

document.addEventListener('htmx:configRequest', (event) => {
    const shown = document.getElementById('state')?.dataset.revision;
    if (shown && hasTurn(event.detail.path)) {
        if (event.detail.verb === 'post') {
            event.detail.parameters.shows = shown;
        } else if (/\/changes\b/.test(event.detail.path) && !/since=0/.test(event.detail.path)) {
            event.detail.path = event.detail.path.replace(/since=\d+/, `since=${shown}`);
        }
    }
});

// A row that is there already takes the place of itself.
document.addEventListener('htmx:oobBeforeSwap', (event) => {
    event.detail.fragment?.querySelectorAll?.('tr[id]').forEach((row) => {
        if (event.detail.swapOverride?.swapStyle === 'afterend' || event.detail.target?.id !== row.id) {
            const there = document.getElementById(row.id);
            if (there && there !== event.detail.target) {
                there.remove();
            }
        }
    });
});

addEventListener('pointerdown', () => {
    pressed = true;
}, true);
const released = () => setTimeout(() => {
    pressed = false;
    next();
});
addEventListener('pointerup', released, true);
addEventListener('pointercancel', released, true);
addEventListener('dragend', released, true);
addEventListener('blur', released);

/** Whether something is under way or waits for its turn. */
export const busy = () => Boolean(current || waiting.length);
