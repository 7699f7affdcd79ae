-- Which conduit or duct a pathway on the plan is.

UPDATE plan_thing SET thing = json_set(thing, '$.conduitId', NULL) WHERE kind = 'pathway';
