-- Jobs in hand, by date: what stands before another job on its machines is read with every plan.
create index jobs_in_hand on jobs (due_at, number) where state in ('part', 'released', 'revising');
