-- Questionnaires that were opened for a response, each once, once for each entry of a roster, or again by hand.
create table follow_up (
    id bigint generated always as identity primary key,
    interview_id varchar(64) not null references interview (id),
    code varchar(64) not null,
    -- Number of the entry, from 1; 0 where it is opened once; from 2 where it is opened again by hand.
    entry int not null,
    release_id bigint not null references release (id),
    token varchar(64) not null unique,
    state varchar(16) not null,
    -- What it is opened with, and the targets of it; those that are locked end with an exclamation mark.
    carried text not null,
    carried_to text not null,
    decision varchar(64) default '' not null,
    note varchar(4000) default '' not null,
    decided_by varchar(64) default '' not null,
    -- The interview of whoever answers it.
    child varchar(64),
    opened_at timestamp with time zone not null,
    -- Since when it is open: opened, or returned last.
    open_since timestamp with time zone not null,
    due_at timestamp with time zone,
    -- When it is next told that it is still open; null where nothing is told any more.
    told_next timestamp with time zone,
    expires boolean not null,
    sent_at timestamp with time zone,
    ended_at timestamp with time zone,
    unique (interview_id, code, entry)
);
create index follow_up_by_child on follow_up (child);
create index follow_up_by_state on follow_up (state, due_at);
create index follow_up_to_tell on follow_up (told_next);
