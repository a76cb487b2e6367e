-- Counting reads many entries and none of their words, so the words do not lie among them. A server moves nothing out of a
-- row shorter than 2 kB: the ballast makes every row longer than that, and is itself packed into some 30 bytes. What is in
-- the titles is looked at while words are searched, and stays.
alter table search_entry add column ballast text not null default repeat(' ', 2000);
alter table search_entry alter column words set storage external;
alter table search_entry alter column title_words set storage plain;
alter table search_entry set (toast_tuple_target = 128);
