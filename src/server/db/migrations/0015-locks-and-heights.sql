-- Locks on the plan, how thick walls are, and how high the floors lie.

ALTER TABLE job ADD COLUMN floor_heights_m TEXT NOT NULL DEFAULT '{"upper":null,"loft":null,"roof":null}'
  CHECK (json_valid(floor_heights_m));

UPDATE plan_thing SET thing = json_set(thing, '$.locked', json('false'));
UPDATE plan_thing SET thing = json_set(thing, '$.thicknessM', 0) WHERE kind = 'wall';

UPDATE device SET sight = json_set(sight, '$.place.locked', json('false'))
  WHERE json_type(sight, '$.place') = 'object';
