-- Cables that lie in conduits and ducts already.

UPDATE plan_thing
SET thing = json_set(thing, '$.lyingCables', 0, '$.lyingMm', 8)
WHERE kind = 'pathway';
