-- Where answers to a message go; empty for the address of the installation.
alter table message add column reply_to varchar(320) default '' not null;
-- What of the interview comes with it: response, files, or both with a comma; made when it is needed.
alter table message add column attached varchar(40) default '' not null;
alter table message add column language varchar(35) default 'en' not null;
-- In which somebody was last written to about an invitation, so that a reminder comes in the same.
alter table invitation add column language varchar(35) default '' not null;
-- Messages that a saved walk is expected to send; null where it was saved before any were known.
alter table drill add column sends varchar(4000);
-- Which message of its questionnaire it is; empty for others.
alter table message add column code varchar(64) default '' not null;
