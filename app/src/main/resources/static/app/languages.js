// Languages: from text to text by keys, tokens put in at the caret, drafts and remembered texts put into the field.
const { sheetKeys } = window.orthogon;
const rows = () => [...document.querySelectorAll('.text-list tr.text')];
const field = () => document.getElementById('text');
const current = () => document.querySelector('.text-list tr[aria-current]');

function mark(row) {
    rows().forEach((other) => other.removeAttribute('aria-current'));
    row?.setAttribute('aria-current', 'true');
    row?.scrollIntoView({ block: 'nearest' });
}

/** The row behind the current one, for what is opened when a text is kept. */
function following() {
    const all = rows();
    return all[all.indexOf(current()) + 1];
}

function step(by) {
    const all = rows();
    const next = all[Math.max(0, Math.min(all.length - 1, all.indexOf(current()) + by))];
    if (next && next !== current()) {
        mark(next);
        next.querySelector('a').click();
    }
}

function put(text) {
    const area = field();
    area.setRangeText(text, area.selectionStart, area.selectionEnd, 'end');
    area.focus();
    area.dispatchEvent(new Event('input', { bubbles: true }));
}

function whole(text) {
    const area = field();
    area.value = text;
    area.focus();
    area.dispatchEvent(new Event('input', { bubbles: true }));
}

document.addEventListener('click', async (event) => {
    const token = event.target.closest('[data-token]');
    const known = event.target.closest('[data-whole]');
    const machine = event.target.closest('[data-machine]');
    const link = event.target.closest('.text-list tr.text a');
    if (token) {
        put(token.dataset.token);
    } else if (known) {
        whole(known.dataset.whole);
    } else if (machine) {
        const answer = await fetch(machine.dataset.machine);
        if (answer.ok) {
            whole(await answer.text());
        }
    } else if (link) {
        mark(link.closest('tr'));
    }
});

document.getElementById('show')?.addEventListener('change', (event) => event.target.form.submit());

document.addEventListener('htmx:configRequest', (event) => {
    if (event.target.matches?.('form.write')) {
        event.detail.parameters.set('next', following()?.dataset.unit ?? '');
    }
});

document.addEventListener('htmx:afterSwap', (event) => {
    if (event.target.id !== 'unit') {
        return;
    }
    const open = document.querySelector('#unit-inner .unit-head code')?.textContent;
    mark(rows().find((row) => row.dataset.unit === open));
    markPreview();
    if (event.detail.requestConfig?.path.includes('/keep')) {
        field()?.focus();
    }
});

document.addEventListener('keydown', (event) => {
    if (event.target === field() && event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
        event.preventDefault();
        const state = event.shiftKey ? 'reviewed' : 'draft';
        field().form.querySelector(`button[value=${state}]`)?.click();
    } else if (event.target === field() && event.altKey && /^Digit[1-9]$/.test(event.code)) {
        const token = document.querySelectorAll('.tokens [data-token]')[Number(event.code.slice(5)) - 1];
        if (token) {
            event.preventDefault();
            put(token.dataset.token);
        }
    }
});

sheetKeys.push((event, command) => {
    const act = command || event.altKey ? null : {
        j: () => step(1), k: () => step(-1), ArrowDown: () => step(1), ArrowUp: () => step(-1), Enter: () => field()?.focus(),
    }[event.key];
    // Enter on a link or a button is for that one.
    if (!act || event.key === 'Enter' && event.target.closest('a, button, summary')) {
        return false;
    }
    event.preventDefault();
    act();
    return true;
});

function markPreview() {
    document.getElementById(document.querySelector('.preview')?.dataset.mark ?? '')?.classList.add('marked');
}

markPreview();
current()?.scrollIntoView({ block: 'nearest' });
