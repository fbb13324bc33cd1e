-- What the lateness of a version cost when it was accepted: what has grown since is told. Null: accepted by an older program.
alter table board_versions add column late double precision;
