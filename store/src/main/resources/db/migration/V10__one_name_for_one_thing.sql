-- Names as anglers say them; every row stays.
ALTER TABLE event
    RENAME COLUMN settle_minutes TO set_up_minutes,
    RENAME COLUMN most_wind_mps TO max_wind_mps,
    RENAME COLUMN leans_on_advice TO priors_by_advice,
    RENAME COLUMN leans_on_history TO priors_by_history;
UPDATE event SET boat_entered = REPLACE(REPLACE(boat_entered, '"settleMinutes"', '"setUpMinutes"'), '"mostWindMps"', '"maxWindMps"');
UPDATE event SET packed = REPLACE(packed, '"well-pump"', '"livewell-pump"');

ALTER TABLE spot RENAME COLUMN place_class TO spot_type;

RENAME TABLE mark TO waypoint;
ALTER TABLE waypoint RENAME COLUMN holding TO fish_position;
UPDATE waypoint SET fish_position = CASE fish_position WHEN 'on top' THEN 'on-top' WHEN 'off the edge' THEN 'off-edge' WHEN 'on bottom' THEN 'on-bottom' ELSE fish_position END;

ALTER TABLE bite RENAME COLUMN struck TO taken_on;

ALTER TABLE known_fish RENAME COLUMN most_wind_mps TO max_wind_mps;
UPDATE known_fish SET entered = REPLACE(entered, '"mostWindMps"', '"maxWindMps"');
UPDATE known_fish_try SET reaction = 'bit' WHERE reaction = 'struck';

ALTER TABLE trial_round RENAME COLUMN strikes TO bites;
ALTER TABLE carried_rate
    RENAME COLUMN line_hours TO angler_hours,
    RENAME COLUMN strikes TO bites;

UPDATE competition_entry SET type = CASE type WHEN 'strike' THEN 'bite' WHEN 'well-water' THEN 'livewell' ELSE type END;

-- What the program does not know of an event file, by its place there.
UPDATE event_extra SET pointer = CONCAT('/waypoints/', SUBSTRING(pointer, LENGTH('/marks/') + 1)) WHERE pointer LIKE '/marks/%';
UPDATE event_extra SET pointer = CONCAT('/notebook/priors', SUBSTRING(pointer, LENGTH('/notebook/leanings') + 1)) WHERE pointer LIKE '/notebook/leanings%';

-- Lures under the names of their types; a sheet of the angler's own under the new name stays as it is.
UPDATE IGNORE lure_sheet SET
    sheet = JSON_SET(sheet, '$.id', CASE code WHEN 'topwater-walker' THEN 'walking-topwater' WHEN 'buzzing-bait' THEN 'buzzbait'
        WHEN 'nose-weighted-worm' THEN 'neko-rig' WHEN 'mid-hooked-worm' THEN 'wacky-rig' ELSE 'punch-rig' END),
    code = CASE code WHEN 'topwater-walker' THEN 'walking-topwater' WHEN 'buzzing-bait' THEN 'buzzbait'
        WHEN 'nose-weighted-worm' THEN 'neko-rig' WHEN 'mid-hooked-worm' THEN 'wacky-rig' ELSE 'punch-rig' END
WHERE code IN ('topwater-walker', 'buzzing-bait', 'nose-weighted-worm', 'mid-hooked-worm', 'heavy-cover-rig');
UPDATE box_item SET lure_code = CASE lure_code WHEN 'topwater-walker' THEN 'walking-topwater' WHEN 'buzzing-bait' THEN 'buzzbait'
    WHEN 'nose-weighted-worm' THEN 'neko-rig' WHEN 'mid-hooked-worm' THEN 'wacky-rig' ELSE 'punch-rig' END
WHERE lure_code IN ('topwater-walker', 'buzzing-bait', 'nose-weighted-worm', 'mid-hooked-worm', 'heavy-cover-rig');
UPDATE lure_observation SET lure_code = CASE lure_code WHEN 'topwater-walker' THEN 'walking-topwater' WHEN 'buzzing-bait' THEN 'buzzbait'
    WHEN 'nose-weighted-worm' THEN 'neko-rig' WHEN 'mid-hooked-worm' THEN 'wacky-rig' ELSE 'punch-rig' END
WHERE lure_code IN ('topwater-walker', 'buzzing-bait', 'nose-weighted-worm', 'mid-hooked-worm', 'heavy-cover-rig');
