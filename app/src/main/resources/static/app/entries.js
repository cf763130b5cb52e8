// On a narrow screen each of several entries of a roster has a page of its own, which is opened from the list of them all.
const narrow = matchMedia('(max-width: 600px)');
/** The roster to which the page before added an entry. Read once: a page that is being left must not take it for its own. */
let added = sessionStorage.getItem('orthogon-added') ?? '';
sessionStorage.removeItem('orthogon-added');
/** Which entry is open; empty where the list of all is shown. */
let open = '';
let watching = false;

const items = () => document.getElementById('items');

const rosterOf = (entry) => entry.replace(/-\d+$/, '');

/** Whether there are several entries beside this one. */
function isOneOfSeveral(entry) {
    return items().querySelectorAll(`[data-entries="${CSS.escape(rosterOf(entry))}"] [data-opens]`).length > 1;
}

/** Shows the open entry alone, or all but the entries. */
function show() {
    const all = items();
    const there = narrow.matches && isOneOfSeveral(open) && Boolean(all.querySelector(`[data-of="${CSS.escape(open)}"]`));
    open = there ? open : '';
    all.classList.toggle('by-entry', narrow.matches);
    document.body.classList.toggle('one-entry', there);
    for (const item of all.children) {
        const aside = open
            ? item.dataset.of !== open && item.id !== `q-${rosterOf(open)}`
            : 'of' in item.dataset && isOneOfSeveral(item.dataset.of);
        item.classList.toggle('aside', narrow.matches && aside);
    }
    const done = document.getElementById('entry-done');
    if (done) {
        done.hidden = !there;
    }
}

function enter(entry) {
    if (entry !== open) {
        open = entry;
        history.pushState({ entry }, '');
        show();
        scrollTo(0, 0);
        items().querySelector(`[data-of="${CSS.escape(entry)}"]`)?.querySelector('input:not([type=hidden]), select, textarea, button')
            ?.focus({ preventScroll: true });
    }
}

/** The entry that a link on the page leads into; empty where it leads elsewhere. */
function entryBehind(link) {
    return link.dataset.opens ?? document.getElementById(link.hash.slice(1))?.closest('[data-of]')?.dataset.of ?? '';
}

/** @param roster the head of one roster, with the list of its entries where there are any */
export function entries(roster) {
    const isAddedTo = added === roster.dataset.entries;
    added = isAddedTo ? '' : added;
    const last = [...roster.querySelectorAll('[data-opens]')].at(-1)?.dataset.opens ?? '';
    if (isAddedTo && narrow.matches && isOneOfSeveral(last)) {
        open = last;
        history.pushState({ entry: open }, '');
    }
    if (!watching) {
        watching = true;
        watch(roster.dataset.done);
    }
    show();
}

function watch(done) {
    const button = document.createElement('button');
    button.type = 'button';
    button.id = 'entry-done';
    button.className = 'main';
    button.textContent = done;
    button.addEventListener('click', () => history.back());
    items().after(button);
    addEventListener('popstate', (event) => {
        const left = open;
        open = event.state?.entry ?? '';
        show();
        document.querySelector(`[data-opens="${CSS.escape(left)}"]`)?.focus();
    });
    document.addEventListener('click', (event) => {
        const link = event.target.closest('a[href^="#"]');
        const entry = link && narrow.matches ? entryBehind(link) : '';
        if (entry && isOneOfSeveral(entry)) {
            event.preventDefault();
            enter(entry);
        }
    });
    narrow.addEventListener('change', show);
    new MutationObserver(show).observe(items(), { childList: true });
}
