-- The answers of a response in one text, so that those of many are counted in one reading; see core/responses/AnswerTally.
create table response_tally (
    response bigint primary key,
    questionnaire_id bigint not null,
    line text not null
);
create index tally_of_questionnaire on response_tally (questionnaire_id);

-- The text in which a response is searched by those who may not read personal answers; a search reads one of the two tables.
create table response_open_words (
    response bigint primary key,
    questionnaire_id bigint not null,
    words text not null
);
alter table response_words drop column open_words;

-- Everything that tables are sorted and filtered by, besides answers, so that no row is read for it.
drop index response_of_questionnaire;
create index response_by_time on response
    (questionnaire_id, sent_at, number, state, in_charge, outcome, language, release_id, receipt, route);

-- Every response is indexed again when Orthogon starts.
delete from answer_value;
delete from response_words;
update response set indexed = false;
