-- Parts of a stack and cable holes that were there before; the habit of tape.

ALTER TABLE device ADD COLUMN parts_kept INTEGER NOT NULL DEFAULT 0;

UPDATE device SET mount = json_set(mount, '$.hole', 'new', '$.holeMm', json('null')) WHERE mount IS NOT NULL;

UPDATE job SET policies = json_set(policies, '$.tape', 'self-amalgamating');
