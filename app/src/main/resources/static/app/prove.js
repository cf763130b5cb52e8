// Prove: walking through claims and lanes by keys, picking and comparing lanes, the parts below.
const { sheetKeys, typing } = window.orthogon;
const base = () => document.querySelector('.prove').dataset.base;
const lanes = () => [...document.querySelectorAll('#lane-box .lane')];
let picked = '';
let beside = '';
let comparing = false;

/** Marks the lanes that are shown above. */
function showPicked() {
    const box = document.getElementById('lane-box');
    lanes().forEach((lane) => {
        const on = lane.dataset.pick === picked;
        lane.classList.toggle('on', on);
        lane.classList.toggle('beside', lane.dataset.pick === beside);
        lane.setAttribute('aria-selected', String(on));
        if (on) {
            box.setAttribute('aria-activedescendant', lane.id);
        }
    });
}

function pick(id, query, withOther) {
    if (withOther && picked) {
        beside = id;
    } else {
        picked = id;
        beside = '';
    }
    comparing = false;
    const search = new URLSearchParams(query);
    search.set('pick', picked);
    search.set('with', beside);
    document.querySelectorAll('#claims a[aria-current]').forEach((link) => link.removeAttribute('aria-current'));
    showPicked();
    const one = document.getElementById('lanes')?.dataset.one ?? 'lane';
    htmx.ajax('GET', `${base()}/${one}?${search}`, { target: '#chosen', swap: 'innerHTML', source: '#chosen' });
}

const query = () => document.getElementById('lanes')?.dataset.query ?? '';

document.addEventListener('click', (event) => {
    const frame = event.target.closest('[data-frame]');
    if (frame) {
        const field = document.getElementById('translated');
        field.value = frame.dataset.text;
        field.focus();
        return;
    }
    const lane = event.target.closest('.lane, [data-lane]');
    const part = event.target.closest('[data-part]');
    const claim = event.target.closest('#claims li a');
    if (lane) {
        event.preventDefault();
        pick(lane.dataset.pick, lane.dataset.query ?? query(), event.shiftKey || comparing);
        document.getElementById('lane-box')?.focus({ preventScroll: true });
    } else if (part) {
        document.querySelectorAll('[data-part]').forEach((other) => other.removeAttribute('aria-current'));
        part.setAttribute('aria-current', 'true');
    } else if (claim) {
        mark(claim);
    } else if (event.target.closest('[data-compare]')) {
        comparing = true;
        event.target.textContent = 'Now pick the other lane';
        document.getElementById('lane-box')?.focus();
    } else if (event.target.closest('[data-uncompare]')) {
        pick(picked, query(), false);
    } else if (event.target.closest('[data-taller]')) {
        const tall = document.querySelector('.prove').classList.toggle('tall');
        event.target.setAttribute('aria-pressed', String(tall));
        event.target.textContent = tall ? 'Lower' : 'Taller';
    }
});

function mark(claim) {
    document.querySelectorAll('#claims a[aria-current]').forEach((other) => other.removeAttribute('aria-current'));
    claim.setAttribute('aria-current', 'true');
    picked = '';
    beside = '';
    showPicked();
}

// Other routes are wanted, so they are spread again; another form of the same ones stays where it is.
document.addEventListener('change', (event) => {
    const form = event.target.closest('.lane-filter');
    if (form && !event.target.matches('#lane-as, #lane-every')) {
        form.elements.from.value = '';
    }
}, true);

sheetKeys.push((event, command) => {
    if (command || event.altKey) {
        return false;
    }
    const sideways = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (sideways && lanes().length) {
        const all = lanes();
        const here = all.findIndex((lane) => lane.dataset.pick === (event.shiftKey && beside ? beside : picked));
        const next = all[here < 0 ? 0 : here + sideways];
        if (next) {
            pick(next.dataset.pick, query(), event.shiftKey);
        }
        event.preventDefault();
        return true;
    }
    const step = { j: 1, k: -1 }[event.key];
    if (step) {
        const claims = [...document.querySelectorAll('#claims li a')].filter((link) => link.offsetParent);
        const here = claims.findIndex((link) => link.hasAttribute('aria-current'));
        const next = claims[here < 0 ? 0 : here + step];
        next?.scrollIntoView({ block: 'nearest' });
        next?.click();
        return true;
    }
    return false;
});

document.addEventListener('htmx:afterSettle', (event) => {
    if (event.detail.target?.id === 'chosen') {
        const inner = document.getElementById('chosen-inner');
        picked = inner?.dataset.pick ?? '';
        beside = inner?.dataset.with ?? '';
        asAddressed(inner);
    }
    showPicked();
});

/** Shows the claim that the address names, where an older answer of the server came last. */
function asAddressed(inner) {
    const wanted = new URLSearchParams(location.search).get('claim');
    const refreshed = inner?.getAttribute('hx-get');
    const shown = refreshed && new URL(refreshed, location.href).searchParams.get('claim');
    if (wanted && shown && wanted !== shown) {
        const address = new URL(refreshed, location.href);
        address.searchParams.set('claim', wanted);
        htmx.ajax('GET', address.pathname + address.search, { target: '#chosen', swap: 'innerHTML', source: '#chosen' });
    }
}
// News wait while somebody writes in the part that they would redraw.
const written = (part) => part && (part.contains(document.activeElement) && typing(document.activeElement)
    || part.querySelector('.waive[open], .sentence'));
document.addEventListener('htmx:beforeRequest', (event) => {
    if (event.detail.elt.matches('[hx-trigger*="sse:"]') && written(event.detail.target)) {
        event.preventDefault();
    }
});
document.addEventListener('htmx:beforeSwap', (event) => {
    if (event.detail.requestConfig.elt.matches('[hx-trigger*="sse:"]') && written(event.detail.target)) {
        event.detail.shouldSwap = false;
    }
});
// A list that was drawn anew still shows which claim is selected.
document.addEventListener('htmx:afterSwap', (event) => {
    if (event.detail.target?.id === 'claims') {
        const shown = new URLSearchParams(location.search).get('claim');
        document.querySelectorAll('#claims li a').forEach((link) => {
            if (shown && !picked) {
                link.toggleAttribute('aria-current', new URL(link.href).searchParams.get('claim') === shown);
            }
        });
    }
});
document.querySelector('#claims a[aria-current]')?.scrollIntoView({ block: 'center' });
