-- How many steps students have used to be read off the list of what they do, which had one entry a step. It has several now.
update resource_facts set facts = facts || jsonb_build_object('steps', jsonb_array_length(facts -> 'doing'))
 where facts -> 'steps' is null and jsonb_typeof(facts -> 'doing') = 'array';
