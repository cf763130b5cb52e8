-- The account of an identity service that a person signs in with: the service's address, a space, its own name of the account.
alter table person add column identity varchar(1000) default '' not null;
