-- A job that makes a tool for another says which: it is none that makes up what was short.
alter table jobs add column makes_tool text;
