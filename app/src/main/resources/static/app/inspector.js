// The inspector: each edit sends the group of fields that changed; a new entry of a list is sent when it is whole, or left; what is
// refused stays where it was typed, with the reason beside it.

const base = document.querySelector('.compose')?.dataset.base;
const form = () => document.getElementById('change');
const at = () => form()?.querySelector('[name=at]').value ?? '';

/** Groups that the server refused, by row: the nodes with what was typed in them. */
const unsaved = new Map();

const holderOf = (field) => field.closest('[data-group]');
const groupOf = (field) => holderOf(field)?.dataset.group ?? field.name;
const nodeOf = (group) => form()?.querySelector(`[data-group="${group}"]`)
    ?? form()?.querySelector(`[name="${group}"]`)?.closest('.field');

/** The fields of a group as they stand, entry by entry; entries that are empty are left out. */
function collect(group) {
    const data = [];
    const holder = form().querySelector(`[data-group="${group}"]`);
    if (holder?.dataset.names) {
        let index = 0;
        holder.querySelectorAll(':scope > [data-entry]').forEach((entry) => {
            const values = holder.dataset.names.split(' ').map((name) => [name, entry.querySelector(`[name="${name}"]`)]);
            const ticks = values.filter(([, field]) => field?.type === 'checkbox');
            const texts = values.filter(([, field]) => field?.type !== 'checkbox');
            const said = texts.filter(([, field]) => field?.tagName !== 'SELECT' || field.dataset.counts !== undefined);
            if (said.some(([, field]) => field?.value.trim())) {
                texts.forEach(([name, field]) => data.push([name, field?.value ?? '']));
                ticks.filter(([, field]) => field.checked).forEach(([name]) => data.push([name, String(index)]));
                index += 1;
            }
        });
        return data;
    }
    const fields = holder ? holder.querySelectorAll('[name]') : form().querySelectorAll(`[name="${group}"]`);
    fields.forEach((field) => {
        if (field.type !== 'checkbox' || field.checked) {
            data.push([field.name, field.value]);
        }
    });
    return data;
}

// The inspector is as wide as it was left.
const compose = document.querySelector('.compose');
function sides() {
    const kind = localStorage.getItem('inspector') ?? '';
    compose?.classList.toggle('wide', kind === 'wide');
    compose?.classList.toggle('folded', kind === 'folded');
    const wide = document.querySelector('[data-wide]');
    const fold = document.querySelector('[data-fold-inspector]');
    if (wide) {
        wide.textContent = kind === 'wide' ? 'Narrower' : 'Wider';
        fold.textContent = kind === 'folded' ? 'Open' : 'Fold';
        fold.setAttribute('aria-expanded', String(kind !== 'folded'));
    }
}

document.addEventListener('click', (event) => {
    const kind = localStorage.getItem('inspector') ?? '';
    if (event.target.closest('[data-wide]')) {
        localStorage.setItem('inspector', kind === 'wide' ? '' : 'wide');
        sides();
    } else if (event.target.closest('[data-fold-inspector]')) {
        localStorage.setItem('inspector', kind === 'folded' ? '' : 'folded');
        sides();
    }
});
sides();

let number = 0;
const sent = new Map();

function send(group, revision) {
    if (!form() || !group) {
        return;
    }
    const node = nodeOf(group);
    node?.querySelectorAll('[data-changed]').forEach((entry) => delete entry.dataset.changed);
    // What is sent is no longer being typed: the answer may draw it anew.
    node?.querySelectorAll('input, textarea').forEach((field) => {
        field.defaultValue = field.value;
    });
    const values = new FormData();
    values.append('revision', revision ?? form().querySelector('[name=revision]').value);
    values.append('at', at());
    values.append('field', group);
    collect(group).forEach(([name, value]) => values.append(name, value));
    number += 1;
    sent.set(String(number), { group, row: at(), node });
    htmx.ajax('POST', `${base}/change`, { source: '#inspector', swap: 'none', values, headers: { 'X-Edit': String(number) } });
}

const kept = (row) => unsaved.get(row) ?? unsaved.set(row, new Map()).get(row);

document.addEventListener('htmx:beforeSwap', (event) => {
    const edit = sent.get(event.detail.requestConfig?.headers?.['X-Edit']);
    if (!edit) {
        return;
    }
    if (event.detail.xhr.status < 400) {
        kept(edit.row).delete(edit.group);
        edit.node?.classList.remove('unsaved');
    } else if (edit.node) {
        notSaved(edit, new DOMParser().parseFromString(event.detail.serverResponse, 'text/html').querySelector('span')?.textContent ?? '');
    }
});

/** Keeps what was typed and says beside it why it is not saved. */
function notSaved(edit, words) {
    kept(edit.row).set(edit.group, edit.node);
    edit.node.classList.add('unsaved');
    const place = edit.node.querySelector(':scope > .not-saved') ?? edit.node.appendChild(document.createElement('span'));
    place.className = 'not-saved';
    place.textContent = `Not saved. ${words}`;
}

document.addEventListener('htmx:afterRequest', (event) => {
    const id = event.detail.requestConfig?.headers?.['X-Edit'];
    const edit = sent.get(id);
    if (edit && event.detail.xhr.status >= 400) {
        last = edit;
    } else if (edit?.node && event.detail.xhr.status === 0) {
        notSaved(edit, 'The server does not answer.');
    }
    sent.delete(id);
});
let last = null;

document.addEventListener('click', (event) => {
    const again = event.target.closest('[data-send-again]');
    if (again) {
        send(again.dataset.sendAgain);
        return;
    }
    const mine = event.target.closest('[data-use-mine]');
    if (mine && last) {
        const { group } = last;
        send(group, mine.dataset.revision);
        mine.closest('.message').replaceChildren();
    } else if (event.target.closest('[data-use-theirs]') && last) {
        kept(last.row).delete(last.group);
        event.target.closest('.message').replaceChildren();
        htmx.ajax('GET', `${base}/inspector?at=${encodeURIComponent(at())}`,
            { target: '#inspector', swap: 'innerHTML', source: '#inspector' });
    } else if (event.target.closest('[data-undo-anyway]')) {
        const button = event.target.closest('[data-undo-anyway]');
        htmx.ajax('POST', `${base}/undo`, {
            source: '#inspector', swap: 'none',
            values: { revision: document.getElementById('state').dataset.revision, at: at(), anyway: true, redo: button.dataset.redo },
        });
    }
});

// What was refused, and what is being typed, stays when the inspector is drawn anew.
let typing = null;
function beforeDrawn() {
    const field = document.activeElement;
    typing = null;
    if (!field?.closest('#change') || !form()) {
        return;
    }
    const changed = field.matches('input:not([type=checkbox]), textarea') && field.value !== field.defaultValue;
    const entry = field.closest('[data-entry]');
    const node = changed || entry?.dataset.changed ? nodeOf(groupOf(field)) : null;
    // A new entry that is still empty is begun again at its place.
    const begun = !node && entry && 'new' in entry.dataset && !field.id;
    const index = begun ? [...entry.parentElement.querySelectorAll(':scope > [data-entry]')].indexOf(entry) : -1;
    typing = { row: at(), id: field.id, group: groupOf(field), node, field, index, from: field.selectionStart, to: field.selectionEnd };
}

/** A new entry at the place in the list where one was begun. */
function begin({ group, index }) {
    const holder = nodeOf(group);
    const above = holder?.querySelectorAll(':scope > [data-entry]')[index - 1];
    return above ? below(holder, above) : null;
}

function below(holder, above) {
    const entry = fresh(holder);
    entry.dataset.new = '';
    above.after(entry);
    return entry.querySelector('input[data-more-below]');
}

function afterDrawn() {
    const put = (group, node) => {
        const there = nodeOf(group);
        if (there && there !== node) {
            there.replaceWith(node);
        }
    };
    unsaved.get(at())?.forEach((node, group) => put(group, node));
    if (typing?.row === at()) {
        if (typing.node) {
            put(typing.group, typing.node);
        }
        const field = typing.node ? typing.field : typing.index > 0 ? begin(typing) : typing.id && document.getElementById(typing.id);
        if (field?.isConnected && field.closest('#inspector')) {
            field.focus({ preventScroll: true });
            if (field.setSelectionRange && typing.from !== null && field.matches('input:not([type=color], [type=checkbox]), textarea')) {
                try {
                    field.setSelectionRange(typing.from, typing.to);
                } catch {
                    // A field of numbers has no selection.
                }
            }
        }
    }
    typing = null;
    sortable();
    sides();
}

document.addEventListener('htmx:oobBeforeSwap', (event) => event.detail.target?.id === 'inspector' && beforeDrawn());
document.addEventListener('htmx:oobAfterSwap', (event) => {
    if (event.detail.target?.id === 'inspector' || event.detail.elt?.id === 'inspector') {
        afterDrawn();
    }
});
document.addEventListener('htmx:beforeSwap', (event) => event.detail.target?.id === 'inspector' && beforeDrawn());
document.addEventListener('htmx:afterSwap', (event) => event.detail.target?.id === 'inspector' && afterDrawn());

// Lists of entries.
const isEmpty = (entry) => [...entry.querySelectorAll('input:not([type=checkbox]), textarea, select')].every((f) => !f.value.trim());
const isWhole = (entry) => [...entry.querySelectorAll('[name]:not([type=checkbox], [type=hidden])')].every((f) => f.value.trim());

document.addEventListener('change', (event) => {
    const field = event.target;
    if (!field.closest('#change') || !field.name) {
        return;
    }
    const tick = field.closest('.switch');
    if (tick) {
        const box = tick.querySelector('[type=checkbox]');
        const text = tick.querySelector('input.mono');
        if (field === box && !box.checked) {
            text.value = '';
        } else if (field === text && text.value.trim()) {
            box.checked = true;
        }
    }
    const entry = field.closest('[data-entry]');
    if (entry) {
        entry.dataset.changed = 'true';
        if ('new' in entry.dataset && !isWhole(entry)) {
            return;
        }
    }
    if (field.closest('[data-group="limits"]') && !collect('limits').slice(1).some(([, value]) => value.trim())) {
        return;
    }
    send(groupOf(field));
});

document.addEventListener('focusout', (event) => {
    // A field that was put back while somebody typed in it no longer tells by itself that it was changed.
    const field = event.target;
    if (document.hasFocus() && field.matches?.('#change [name]:is(input:not([type=checkbox], [type=file], [type=hidden]), textarea)')
        && field.value !== field.defaultValue) {
        field.dispatchEvent(new Event('change', { bubbles: true }));
    }
    const entry = event.target.closest?.('#change [data-entry][data-new]');
    if (entry?.dataset.changed && document.hasFocus() && !entry.contains(event.relatedTarget) && !isEmpty(entry)) {
        send(groupOf(entry));
    }
});

// Enter in a field sends that field, not the form.
document.addEventListener('submit', (event) => {
    if (event.target.id === 'change') {
        event.preventDefault();
    }
});

function fresh(holder) {
    return holder.querySelector(':scope > template').content.firstElementChild.cloneNode(true);
}

/** An entry with all of its fields: what is seldom set is drawn when it is asked for. */
function whole(entry) {
    const holder = entry.parentElement;
    const more = holder?.querySelector(':scope > template')?.content.querySelector('.more');
    if (more && !entry.querySelector('.more')) {
        entry.append(more.cloneNode(true));
    }
}

document.addEventListener('focusin', (event) => {
    const entry = event.target.closest?.('#change [data-entry]');
    if (entry) {
        whole(entry);
    }
});

document.addEventListener('click', (event) => {
    const remove = event.target.closest('#change [data-remove]');
    if (remove) {
        const entry = remove.closest('[data-entry]');
        const group = groupOf(entry);
        entry.remove();
        send(group);
    }
});

document.addEventListener('keydown', (event) => {
    const entry = event.target.closest?.('#change [data-entry]');
    const holder = entry?.parentElement;
    if (!entry || event.defaultPrevented) {
        return;
    }
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown') && 'ordered' in holder.dataset) {
        const other = event.key === 'ArrowUp' ? entry.previousElementSibling : entry.nextElementSibling;
        if (other?.matches('[data-entry]')) {
            other[event.key === 'ArrowUp' ? 'before' : 'after'](entry);
            event.target.focus();
            send(holder.dataset.group);
        }
        event.preventDefault();
        event.stopPropagation();
    } else if (event.key === 'Enter' && event.target.matches('input[data-more-below]') && !document.querySelector('.suggest')) {
        // A new entry below, to go on typing.
        below(holder, entry).focus();
        event.preventDefault();
    }
});

document.addEventListener('paste', (event) => {
    const field = event.target.closest?.('#change input[data-more-below]');
    const lines = event.clipboardData?.getData('text').split(/\r?\n/).map((line) => line.trim()).filter(Boolean) ?? [];
    if (!field || lines.length < 2) {
        return;
    }
    event.preventDefault();
    const entry = field.closest('[data-entry]');
    const holder = entry.parentElement;
    let before = entry;
    lines.forEach((line, i) => {
        const target = i === 0 && !field.value.trim() ? entry : fresh(holder);
        target.querySelector('input[data-more-below]').value = line;
        if (target !== entry) {
            before.after(target);
        }
        before = target;
    });
    send(holder.dataset.group);
});

function sortable() {
    if (!window.Sortable) {
        return;
    }
    document.querySelectorAll('#change [data-ordered]').forEach((holder) => {
        if (!holder.dataset.sortable) {
            holder.dataset.sortable = 'true';
            window.Sortable.create(holder, {
                handle: '.grip', draggable: '[data-entry]:not([data-new])', animation: 0,
                onEnd: (event) => event.oldIndex !== event.newIndex && send(holder.dataset.group),
            });
        }
    });
}
addEventListener('load', sortable);
