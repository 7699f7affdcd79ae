-- Through what and around what somebody wants a cable to be led.

UPDATE device SET route = json_set(route, '$.forced', json('null')) WHERE route IS NOT NULL;
ALTER TABLE run ADD COLUMN forced TEXT CHECK (json_valid(forced));
