-- From which end a ready-made lead is fed, and where its surplus is coiled.

ALTER TABLE run ADD COLUMN lead TEXT CHECK (json_valid(lead));
UPDATE run SET lead = json_object('lengthM', lead_length_m, 'fedFrom', NULL, 'coilAt', NULL)
WHERE lead_length_m IS NOT NULL;
ALTER TABLE run DROP COLUMN lead_length_m;

UPDATE device SET route = json_remove(
  json_set(
    route,
    '$.lead',
    CASE
      WHEN json_extract(route, '$.leadLengthM') IS NULL THEN json('null')
      ELSE json_object('lengthM', json_extract(route, '$.leadLengthM'), 'fedFrom', NULL, 'coilAt', NULL)
    END
  ),
  '$.leadLengthM'
)
WHERE route IS NOT NULL;

-- Which edges of a pathway are bare.

UPDATE plan_thing SET thing = json_set(thing, '$.bareEdges', json('false')) WHERE kind = 'pathway';
