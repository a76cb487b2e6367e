-- What an organisation says of itself, on its page; curators keep it.
alter table person add about text not null default '';
