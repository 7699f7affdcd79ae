-- How cold pathways get, and which have expansion fittings.

UPDATE plan_thing
SET thing = json_set(
  thing,
  '$.coldestC', min(
    CASE json_extract(thing, '$.space')
      WHEN 'loft' THEN -5
      WHEN 'wall cavity' THEN 0
      WHEN 'joist bay' THEN 10
      WHEN 'garage or basement' THEN 5
      WHEN 'trunking indoors' THEN 15
      WHEN 'buried duct' THEN 5
      WHEN 'riser' THEN 15
      WHEN 'air-handling space' THEN 10
      ELSE -10
    END,
    json_extract(thing, '$.temperatureC')
  ),
  '$.expansionFitted', json('false')
)
WHERE kind = 'pathway';
