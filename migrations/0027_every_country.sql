-- Room for every country: it moves from bits 7-10 of `also` to bits 22-29 (see core/find/also.ts).
update search_entry set also = (also & ~(15 << 7)) | (((also >> 7) & 15) << 22);
