// Requests that change a sheet go out one after the other, each with the revision that the page shows by then. So every answer is put
// in place in its order, and no row is drawn twice, however late an answer comes.

const sheet = document.querySelector('[data-base]');
const base = sheet?.dataset.base;
const waiting = [];
let current = null;
let pressed = false;

/** Whether a request changes the sheet or the inspector, and so has its turn. */
const hasTurn = (path) => base && path.startsWith(`${base}/`)
    && !/\/(find|dependents|history|sentence|check|several)\b/.test(path);

document.addEventListener('htmx:confirm', (event) => {
    const { path, verb, elt } = event.detail;
    if (!hasTurn(path) || event.detail.question) {
        return;
    }
    event.preventDefault();
    if (verb === 'get' && /\/inspector\b/.test(path)) {
        // Only the row that was selected last is of interest.
        waiting.splice(0, waiting.length, ...waiting.filter((other) => !other.looks));
    }
    waiting.push({ issue: () => event.detail.issueRequest(true), looks: verb === 'get' && /\/inspector\b/.test(path), elt });
    next();
});

function next() {
    // While a mouse button is down, an answer could take away what is about to be clicked.
    if (current || pressed || !waiting.length) {
        return;
    }
    current = waiting.shift();
    current.started = false;
    current.issue();
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
