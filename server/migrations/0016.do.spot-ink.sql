-- A separation in blocks, so that the inks of a pass can be added up spot by spot; and what they add up to at the heaviest.
alter table separations add column raster_across integer check (raster_across > 0);
alter table separations add column raster bytea;
alter table zone_sets add column total_ink double precision check (total_ink >= 0);
