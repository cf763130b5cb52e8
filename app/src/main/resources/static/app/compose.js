// The ledger: selecting, marking, dragging and folding rows, following wires, news from others.
import { busy } from './queue.js';

const { sheetKeys, typing, press, focus, open } = window.orthogon;

const sheet = document.querySelector('.compose');
const base = sheet?.dataset.base;
const state = () => document.getElementById('state');
const rows = () => [...document.querySelectorAll('#rows > tr')];
const row = (code) => document.getElementById(`row-${code}`);
const marked = new Set();

function showSelection() {
    const at = state().dataset.at;
    rows().forEach((tr) => {
        const on = tr.dataset.row === at;
        tr.classList.toggle('on', on);
        tr.classList.toggle('marked', marked.has(tr.dataset.row));
        if (on) {
            tr.setAttribute('aria-current', 'true');
        } else {
            tr.removeAttribute('aria-current');
        }
    });
    const inside = row(at)?.dataset.row ?? '';
    document.querySelectorAll('#wiring > svg > g').forEach((bundle) => {
        const from = bundle.dataset.from === inside;
        let touched = from;
        bundle.querySelectorAll('.branch').forEach((branch) => {
            const on = from || branch.dataset.to === inside;
            branch.classList.toggle('on', on);
            branch.classList.toggle('in', on && !from);
            touched ||= on;
        });
        bundle.classList.toggle('on', touched);
    });
    // What stands out is drawn last, so that no faint line lies over it.
    const svg = document.querySelector('#wiring > svg');
    svg?.querySelectorAll(':scope > g.on').forEach((bundle) => svg.append(bundle));
}

function intoSight(code) {
    const tr = row(code);
    const scroll = document.querySelector('.ledger-scroll');
    if (!tr || !scroll) {
        return;
    }
    const head = scroll.querySelector('thead').offsetHeight;
    const top = tr.offsetTop - head;
    if (top < scroll.scrollTop) {
        scroll.scrollTop = top;
    } else if (tr.offsetTop + tr.offsetHeight > scroll.scrollTop + scroll.clientHeight) {
        scroll.scrollTop = tr.offsetTop + tr.offsetHeight - scroll.clientHeight + 4;
    }
}

function select(code) {
    const holder = state();
    holder.dataset.at = code;
    holder.querySelector('[name=at]').value = code;
    showSelection();
    intoSight(code);
    const address = `${base}?at=${encodeURIComponent(code)}`;
    if (location.pathname + location.search !== address) {
        history.pushState({}, '', address);
    }
    return htmx.ajax('GET', `${base}/inspector?at=${encodeURIComponent(code)}`,
        { target: '#inspector', swap: 'innerHTML', source: '#inspector' });
}

function go(code) {
    const tr = row(code);
    if (tr) {
        select(code);
    } else {
        // Its page is folded, or it stands in another part of a long questionnaire.
        location.assign(`${base}?at=${encodeURIComponent(code)}`);
    }
}

function showMarked() {
    showSelection();
    if (marked.size) {
        const query = [...marked].map((code) => `marked=${encodeURIComponent(code)}`).join('&');
        htmx.ajax('GET', `${base}/several?${query}`, { target: '#inspector', swap: 'innerHTML', source: '#inspector' });
    } else {
        select(state().dataset.at);
    }
}

function mark(code, through) {
    const kind = row(code)?.className ?? '';
    if (/page|ending|presentation/.test(kind)) {
        return;
    }
    if (through && marked.size) {
        const all = rows();
        const from = all.indexOf(row([...marked].at(-1)));
        const to = all.indexOf(row(code));
        all.slice(Math.min(from, to), Math.max(from, to) + 1)
            .filter((tr) => !/page|ending|presentation/.test(tr.className)).forEach((tr) => marked.add(tr.dataset.row));
    } else if (!marked.delete(code)) {
        marked.add(code);
    }
    showMarked();
}

function post(path, values) {
    const holder = state();
    return htmx.ajax('POST', `${base}/${path}`, {
        source: '#inspector', swap: 'none',
        values: { revision: holder.dataset.revision, at: holder.dataset.at, part: holder.dataset.part, ...values },
    });
}

if (sheet) {
    document.addEventListener('click', (event) => {
        const fold = event.target.closest('[data-fold]');
        const link = event.target.closest('[data-go]');
        const branch = event.target.closest('.branch');
        const tr = event.target.closest('#rows > tr');
        if (event.target.closest('[data-command="fold-all"]')) {
            post('fold', { page: '' });
        } else if (event.target.closest('[data-command="unmark"]')) {
            marked.clear();
            showMarked();
        } else if (fold) {
            post('fold', { page: fold.dataset.fold });
        } else if (link) {
            event.preventDefault();
            link.closest('dialog')?.close();
            go(link.dataset.go);
        } else if (branch) {
            go(branch.dataset.to === state().dataset.at ? branch.dataset.from : branch.dataset.to);
        } else if (tr) {
            event.preventDefault();
            if (event.target.closest('.number') || event.ctrlKey || event.metaKey || event.shiftKey) {
                mark(tr.dataset.row, event.shiftKey);
            } else {
                marked.clear();
                select(tr.dataset.row);
            }
        }
    });

    sheetKeys.push((event, command) => {
        if (event.altKey) {
            const name = { ArrowUp: 'up', ArrowDown: 'down', ArrowRight: 'in', ArrowLeft: 'out' }[event.key];
            if (name) {
                press(name, event);
            }
            return Boolean(name);
        }
        if (command) {
            return false;
        }
        const all = rows();
        const here = all.findIndex((tr) => tr.dataset.row === state().dataset.at);
        const step = { j: 1, ArrowDown: 1, k: -1, ArrowUp: -1 }[event.key];
        const onBody = document.activeElement === document.body || document.activeElement?.matches('.ledger-scroll, .inspector, #rows *');
        if (step) {
            const next = all[here + step];
            if (next) {
                select(next.dataset.row);
            }
            event.preventDefault();
            return true;
        }
        const keys = {
            n: () => focus('#line', event),
            c: () => focus('#several-text, #askWhen, #openWhen, #derive, #tw0, #twn', event),
            d: () => press('copy', event),
            Delete: () => press('remove', event),
            x: () => mark(state().dataset.at, false),
            X: () => {
                marked.clear();
                showMarked();
            },
            f: () => {
                const page = row(state().dataset.at)?.dataset.page;
                if (page) {
                    post('fold', { page, at: page });
                }
            },
            F: () => post('fold', { page: '' }),
            t: () => open('types', event),
            o: () => open('outline', event),
        };
        if (keys[event.key]) {
            keys[event.key]();
            return true;
        }
        if (event.key === 'Enter' && onBody) {
            focus('#wording, #derive, #title, #onewl', event);
            return true;
        }
        return false;
    });

    // Several parts of an answer settle one after the other; what is selected is shown once for all of them.
    let pending = false;
    document.addEventListener('htmx:afterSettle', () => {
        const at = state().dataset.at;
        [...marked].filter((code) => !row(code)).forEach((code) => marked.delete(code));
        if (!pending) {
            pending = true;
            requestAnimationFrame(() => {
                pending = false;
                showSelection();
            });
        }
        if (!location.search.endsWith(`at=${at}`)) {
            history.replaceState({}, '', `${base}?at=${encodeURIComponent(at)}`);
        }
    });
    document.addEventListener('htmx:afterRequest', (event) => {
        const path = event.detail.requestConfig?.path ?? '';
        const status = event.detail.xhr.status;
        if (status === 0 || status >= 400 || event.detail.requestConfig?.verb !== 'post'
            || path.endsWith('/fold') || path.endsWith('/sentence')) {
            return;
        }
        marked.clear();
        intoSight(state().dataset.at);
        if (path.endsWith('/add')) {
            const line = document.getElementById('line');
            line.value = '';
            line.focus();
        }
    });
    addEventListener('popstate', () => location.reload());

    // A row that is drawn when its revision is proved already, since its answer came late, has its sign at once.
    let proved = 0;
    document.addEventListener('htmx:afterSettle', () => {
        const shown = Number(state()?.dataset.revision);
        if (proved >= shown && document.querySelector('#rows .sign.unchecked')) {
            showSigns();
        }
    });

    // News: others' edits are put into the ledger at once, and into the inspector unless somebody is typing there.
    document.addEventListener('htmx:sseMessage', (event) => {
        if (event.detail.type === 'proof') {
            proved = Number(event.detail.data);
            showSigns();
        } else if (event.detail.type === 'revision') {
            // One's own edit is answered about now as well, and brings its changes by itself.
            const look = () => {
                const holder = state();
                if (busy()) {
                    setTimeout(look, 200);
                } else if (Number(event.detail.data) > Number(holder.dataset.revision)) {
                    const quiet = Boolean(document.activeElement?.closest('#inspector') && typing(document.activeElement))
                        || marked.size > 0;
                    htmx.ajax('GET', `${base}/changes?since=${holder.dataset.revision}&at=${holder.dataset.at}`
                        + `&part=${holder.dataset.part}&inspector=${!quiet}`, { source: '#inspector', swap: 'none' });
                }
            };
            setTimeout(look, 500);
        }
    });

    async function showSigns() {
        const response = await fetch(`${base}/signs`);
        if (!response.ok || response.redirected) {
            return;
        }
        const answer = await response.json();
        if (!Object.keys(answer.signs).length) {
            return;
        }
        rows().forEach((tr) => {
            const sign = tr.querySelector('.sign');
            const here = answer.signs[tr.dataset.row];
            if (here && sign) {
                sign.className = `sign ${here.name}`;
                sign.title = here.words;
                sign.firstElementChild.textContent = here.words;
            }
        });
        document.querySelectorAll('#wiring .branch')
            .forEach((branch) => branch.classList.toggle('never', answer.never.includes(branch.dataset.to)));
    }

    // Rows are dragged by their first cell.
    const wire = () => {
        const body = document.getElementById('rows');
        if (body && window.Sortable && !body.dataset.sortable) {
            body.dataset.sortable = 'true';
            window.Sortable.create(body, {
                handle: '.number', draggable: 'tr', filter: '.ending, .presentation', preventOnFilter: false, animation: 0,
                onEnd: (event) => {
                    if (event.oldIndex === event.newIndex) {
                        return;
                    }
                    const code = event.item.dataset.row;
                    const after = event.item.previousElementSibling?.dataset.row ?? state().dataset.before;
                    const codes = marked.has(code) ? [...marked] : [code];
                    post('place', { codes, after, at: code });
                    // The answer has the rows in their order; where nothing comes of it, they go back to where they were.
                    htmx.ajax('GET', `${base}/changes?since=0&at=${code}&part=${state().dataset.part}`,
                        { source: '#inspector', swap: 'none' });
                },
            });
        }
    };
    document.addEventListener('htmx:afterSettle', wire);
    addEventListener('load', wire);

    // The line at the foot: a kind of row from the list, several pasted lines as an outline.
    document.addEventListener('click', (event) => {
        const kind = event.target.closest('[data-kind]');
        if (kind) {
            const line = document.getElementById('line');
            line.value = `${line.value.split(' / ')[0].trim()} / ${kind.dataset.kind}`;
            kind.closest('dialog').close();
            line.focus();
            line.setSelectionRange(0, line.value.startsWith(' /') ? 0 : line.value.length);
        }
    });
    document.getElementById('line').addEventListener('paste', (event) => {
        const text = event.clipboardData.getData('text');
        if (/\n\s*\S/.test(text)) {
            event.preventDefault();
            open('outline');
            const area = document.getElementById('outline-text');
            area.value = text;
            area.form.requestSubmit();
        }
    });

    // Removing asks only where something depends on what goes.
    document.addEventListener('htmx:afterSettle', (event) => {
        if (event.detail.target?.id !== 'dependents') {
            return;
        }
        const form = event.detail.target.querySelector('form');
        if (form.querySelector('[name=withDependents]').value === 'true') {
            document.getElementById('removal').showModal();
            form.querySelector('[data-confirm]').focus();
        } else {
            form.requestSubmit();
        }
    });

    // Commands can be found like everything else.
    document.getElementById('find-text').addEventListener('input', (event) => {
        const wanted = event.target.value.trim().toLowerCase();
        const place = document.getElementById('commands');
        place.replaceChildren();
        if (!wanted) {
            return;
        }
        const commands = [...document.querySelectorAll(
            '#inspector [data-command], .typing button[data-command], .typing button[data-opens], .head nav a')]
            .filter((button) => !button.disabled && button.textContent.toLowerCase().includes(wanted));
        commands.forEach((button) => {
            const item = document.createElement('li');
            const doer = document.createElement('button');
            doer.type = 'button';
            doer.className = 'plain';
            doer.textContent = `Command: ${button.textContent.trim()}`;
            doer.addEventListener('click', () => {
                document.getElementById('find').close();
                button.click();
            });
            item.append(doer);
            place.append(item);
        });
    });
    document.getElementById('find-text').addEventListener('keydown', (event) => {
        if (event.key === 'Enter') {
            event.preventDefault();
            document.querySelector('#commands button, #found a')?.click();
        }
    });

    showSelection();
    intoSight(state().dataset.at);
}

// The chosen rule stays in sight when the sheet is drawn anew.
const showRule = () => document.querySelector('.rules tr[aria-current]')?.scrollIntoView({ block: 'center' });
document.addEventListener('htmx:afterSettle', (event) => event.detail.target?.id === 'sheet' && showRule());
showRule();

// A picture travels with the document, so it is read here and sent as text.
document.addEventListener('change', (event) => {
    const chooser = event.target.closest('[data-picture]');
    if (chooser) {
        event.stopPropagation();
        const reader = new FileReader();
        reader.addEventListener('load', () => {
            const holder = chooser.closest('.field, .more').querySelector('input[type=hidden]');
            holder.value = reader.result;
            holder.dispatchEvent(new Event('change', { bubbles: true }));
        });
        if (chooser.files[0]) {
            reader.readAsDataURL(chooser.files[0]);
        }
    }
}, true);
document.addEventListener('click', (event) => {
    if (event.target.closest('[data-no-picture]')) {
        const holder = event.target.closest('.field, .more').querySelector('input[type=hidden]');
        holder.value = '';
        holder.dispatchEvent(new Event('change', { bubbles: true }));
    }
});
