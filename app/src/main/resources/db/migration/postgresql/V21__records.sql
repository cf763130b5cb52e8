-- Which records a response took.
create table record_choice (
    response bigint not null,
    -- Where its answer stands: the code of the question, with the roster and the number of the entry before it.
    slot varchar(140) not null,
    -- Receipt of the record.
    record varchar(32) not null,
    primary key (response, slot)
);
create index record_choice_by_record on record_choice (record);

-- Interviews that were begun out of another one to add a record there.
create table record_adding (
    interview_id varchar(64) primary key references interview (id),
    for_interview varchar(64) not null references interview (id),
    slot varchar(140) not null
);
create index record_adding_for on record_adding (for_interview);

-- The words of texts, in small letters, by which records are found. Those of responses from before are brought there when Orthogon starts.
create table record_word (
    questionnaire_id bigint not null,
    name varchar(140) not null,
    -- Compared letter by letter, as nobody sorts them.
    word varchar(40) collate "C" not null,
    response bigint not null
);
create index record_word_by_word on record_word (questionnaire_id, name, word, response);
create index record_word_of_response on record_word (response);
update response set indexed = false;
