-- Terrain, mains volts, whether photos keep their place; conduits that runs share; steps on the bench without the name of
-- a stage; the all-round lens as the f-theta lens it is.

ALTER TABLE job ADD COLUMN terrain TEXT NOT NULL DEFAULT 'open';
ALTER TABLE job ADD COLUMN mains_v REAL NOT NULL DEFAULT 230;
ALTER TABLE job ADD COLUMN keep_photo_place INTEGER NOT NULL DEFAULT 0 CHECK (keep_photo_place IN (0, 1));
UPDATE job SET mains_v = 120 WHERE units = 'imperial';

UPDATE device SET route = json_set(route, '$.segments', (
  SELECT json_group_array(json_set(segment.value, '$.conduitName', '')) FROM json_each(device.route, '$.segments') AS segment
)) WHERE route IS NOT NULL;
UPDATE device SET sight = json_set(sight, '$.focalMm', 2.36) WHERE camera_id = 'panoramic-12mp' AND json_extract(sight, '$.focalMm') = 1.6;

UPDATE step_record SET step_id = 'bench/unpack' WHERE step_id = 'test/unpack';
UPDATE step_record SET step_id = 'bench/power-up' WHERE step_id = 'test/bench';
UPDATE photo SET step_id = 'bench/unpack' WHERE step_id = 'test/unpack';
UPDATE photo SET step_id = 'bench/power-up' WHERE step_id = 'test/bench';
UPDATE fault SET origin = 'step:bench/unpack' WHERE origin = 'step:test/unpack';
UPDATE fault SET origin = 'step:bench/power-up' WHERE origin = 'step:test/bench';
