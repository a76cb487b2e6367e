-- How often something was adapted, and which families it belongs to, without reading every resource.
create index resource_source on resource (source_revision_id) where source_revision_id is not null;
