-- Questionnaires that are out of the way on the Desk.
alter table questionnaire add column archived boolean default false not null;
