-- How wide a pathway is that is no conduit.

UPDATE plan_thing SET thing = json_set(thing, '$.freeMm', 0) WHERE kind = 'pathway';
