-- Lines cleared for a job: looked up for every step a terminal shows.
create index floor_log_cleared on floor_log (job) where kind = 'clear';
