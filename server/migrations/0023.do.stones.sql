-- One word for a place on the route: what steps released by older programs call their stage is their stone.
update released_steps
set facts = (facts - 'stage') || jsonb_build_object('stone', facts -> 'stage')
where facts ? 'stage';
