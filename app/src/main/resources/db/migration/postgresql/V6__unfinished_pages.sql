-- What was typed on a page that was closed before it was left.
alter table interview add column draft_page varchar(64);
alter table interview add column draft text;
