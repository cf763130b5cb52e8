-- Parts of answers to find and sort by, as core/responses/KeptValue says; without entries of rosters.
create table answer_value (
    questionnaire_id bigint not null,
    name varchar(140) not null,
    kind varchar(1) not null,
    text varchar(400) not null,
    number numeric,
    response bigint not null
);
create index answer_value_by_name on answer_value (questionnaire_id, name, kind, text, number, response);
create index answer_value_of_response on answer_value (response, name);

-- The text in which a response is searched.
create table response_words (
    response bigint primary key,
    questionnaire_id bigint not null,
    words text not null,
    -- The same without personal answers.
    open_words text not null
);

-- Which questions were asked together, and in which outcome that ended.
create table answer_route (
    release_id bigint not null references release (id),
    digest varchar(64) not null,
    outcome varchar(64) not null,
    asked text not null,
    primary key (release_id, digest)
);
