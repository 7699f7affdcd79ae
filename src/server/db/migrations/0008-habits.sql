-- More of a job's habits: what was usual before they could be said.

UPDATE job SET policies = json_patch(
  '{"memoryCard":"up there","film":"last","deadTails":"cap","headEndWith":"jack"}', policies
);
