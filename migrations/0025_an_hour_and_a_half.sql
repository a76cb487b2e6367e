-- Find asks for up to 90 minutes as well: what is longer than that moves to the last class (see core/find/facets.ts).
update search_entry set facets = facets + 8 where minutes > 90 and (facets >> 3) & 7 = 6;
