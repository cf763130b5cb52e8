-- Digests of what never changes, compared when a backup is made or brought back; empty for what is from before.
alter table revision add column digest varchar(64) default '' not null;
alter table release add column digest varchar(64) default '' not null;
alter table response add column digest varchar(64) default '' not null;
