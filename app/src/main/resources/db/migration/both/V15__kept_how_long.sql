-- How long responses and unfinished interviews of a questionnaire are kept, in days; 0 for as long as there is room.
create table retention (
    questionnaire_id bigint primary key references questionnaire (id),
    response_days int not null,
    -- Whether only personal answers go then, and not whole responses.
    only_personal boolean not null,
    unfinished_days int not null
);
-- Whether the personal answers of a response are gone.
alter table response add column stripped boolean default false not null;
