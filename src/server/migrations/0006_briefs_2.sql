-- Briefs of version 1 are taken over: what they say of clarity becomes a sight, bottom and cover may be several. Nothing is said for them.
UPDATE "briefs" SET
  "document" = ("document" - 'version' - 'water' - 'bottom' - 'cover' - 'retrieve' - 'mood') || jsonb_build_object(
    'version', 2,
    'water', (("document"->'water') - 'clarity') || jsonb_build_object(
      'sight', CASE "document"->'water'->>'clarity' WHEN 'clear' THEN 3 WHEN 'stained' THEN 1 ELSE 0.3 END),
    'bottom', jsonb_build_object(
      'kinds', jsonb_build_array("document"->'bottom'->'kind'),
      'slope', "document"->'bottom'->'slope'),
    'cover', jsonb_build_object('kinds', CASE "document"->>'cover'
      WHEN 'none' THEN '[]'::jsonb
      ELSE jsonb_build_array("document"->'cover') END),
    'fishing', jsonb_build_object('retrieve', "document"->'retrieve'),
    'fish', jsonb_build_object('mood', "document"->'mood')),
  "version" = "version" + 1
WHERE "document"->>'version' = '1';
