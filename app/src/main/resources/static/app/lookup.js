// A lookup suggests records as somebody types. The keys are those of the combobox pattern: down and up go through the suggestions,
// Enter takes one, Escape puts them away.

/** Gives a lookup its suggestions; form tells the form of the page, headers what is posted with it. */
export function lookup(box, form, headers) {
    const field = box.querySelector('input[type=search]');
    const records = box.querySelector('.records');
    const told = box.querySelector('[role=status]');
    const list = document.createElement('div');
    list.id = `${field.id}-list`;
    list.className = 'suggestions';
    list.setAttribute('role', 'listbox');
    list.setAttribute('aria-label', field.getAttribute('aria-label'));
    list.hidden = true;
    for (const [name, value] of Object.entries({ role: 'combobox', 'aria-autocomplete': 'list', 'aria-expanded': 'false',
        'aria-controls': list.id })) {
        field.setAttribute(name, value);
    }
    box.querySelector('.lookup-find button').hidden = true;
    field.parentElement.after(list);
    const options = () => [...list.querySelectorAll('[role=option]')];
    let at = -1;
    let sought = 0;
    let wait = 0;
    const mark = (index) => {
        at = index;
        options().forEach((option, i) => option.setAttribute('aria-selected', String(i === at)));
        const option = options()[at];
        option ? field.setAttribute('aria-activedescendant', option.id) : field.removeAttribute('aria-activedescendant');
        option?.scrollIntoView({ block: 'nearest' });
    };
    const close = () => {
        list.hidden = true;
        list.replaceChildren();
        field.setAttribute('aria-expanded', 'false');
        mark(-1);
    };
    const take = (option) => {
        records.querySelectorAll('label:not(.none)').forEach((label) => label.remove());
        const label = document.createElement('label');
        label.className = 'choice';
        const radio = document.createElement('input');
        radio.type = 'radio';
        radio.name = box.dataset.lookup;
        radio.value = option.dataset.key;
        radio.checked = true;
        const words = document.createElement('span');
        words.append(...option.cloneNode(true).childNodes);
        label.append(radio, ' ', words);
        records.prepend(label);
        records.querySelector('.none').hidden = false;
        field.value = '';
        told.textContent = '';
        close();
        radio.focus();
        radio.dispatchEvent(new Event('change', { bubbles: true }));
    };
    const seek = async () => {
        const number = ++sought;
        const typed = field.value.trim();
        if ([...typed.replace(/\s/g, '')].length < Number(box.dataset.fewest)) {
            close();
            told.textContent = '';
            return;
        }
        const data = new URLSearchParams();
        new FormData(form()).forEach((value, name) => typeof value === 'string' && data.append(name, value));
        data.set('~go', `find:${box.dataset.lookup}`);
        const answer = await fetch(`${form().getAttribute('action')}/records`, { method: 'POST', body: data, headers: headers() })
            .catch(() => null);
        const text = answer?.ok ? await answer.text() : null;
        if (number !== sought || !field.isConnected) {
            return;
        }
        if (text === null) {
            close();
            told.textContent = form().dataset.failed;
            return;
        }
        const found = new DOMParser().parseFromString(text, 'text/html').querySelector('[data-says]');
        list.replaceChildren(...[...found.children].map((option) => document.adoptNode(option)));
        options().forEach((option, i) => {
            option.id = `${list.id}-${i}`;
        });
        const opens = list.hidden;
        list.hidden = !options().length;
        if (opens && !list.hidden && list.getBoundingClientRect().bottom > innerHeight) {
            // What was found stays in sight, on a phone above its keyboard as far as there is room.
            box.closest('.item').scrollIntoView({ block: 'start' });
        }
        field.setAttribute('aria-expanded', String(!list.hidden));
        told.textContent = found.dataset.says;
        mark(-1);
    };
    field.addEventListener('input', (event) => {
        // What is sought is no answer yet, so that the page stays as it is.
        event.stopPropagation();
        clearTimeout(wait);
        wait = setTimeout(seek, 200);
    });
    field.addEventListener('change', (event) => event.stopPropagation());
    field.addEventListener('keydown', (event) => {
        const steps = { ArrowDown: 1, ArrowUp: -1 };
        if (event.key in steps && options().length) {
            mark((at + steps[event.key] + options().length + (at < 0 && event.key === 'ArrowUp' ? 1 : 0)) % options().length);
        } else if (event.key === 'Enter') {
            if (options()[at]) {
                take(options()[at]);
            } else {
                seek();
            }
        } else if (event.key === 'Escape' && !list.hidden) {
            close();
        } else {
            return;
        }
        event.preventDefault();
    });
    field.addEventListener('blur', () => setTimeout(() => list.contains(document.activeElement) || close(), 150));
    list.addEventListener('pointerdown', (event) => event.preventDefault());
    list.addEventListener('click', (event) => {
        const option = event.target.closest('[role=option]');
        if (option) {
            take(option);
        }
    });
}
