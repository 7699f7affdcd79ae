-- How wide a pathway is that is no conduit, and which conduits are yet to be put up.

UPDATE plan_thing
SET thing = json_set(thing, '$.freeMm', 0, '$.yetToPut', json('false'))
WHERE kind = 'pathway';
