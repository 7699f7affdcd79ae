-- Wind, poles, and what stands near the holes of a mount.

ALTER TABLE job ADD COLUMN wind_ms REAL NOT NULL DEFAULT 45;

UPDATE device SET mount = json_set(mount, '$.edgeMm', json('null'), '$.slotMm', json('null'), '$.pole', json('null')) WHERE mount IS NOT NULL;
