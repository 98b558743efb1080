CREATE TABLE "mentions" (
	"studio_id" uuid NOT NULL,
	"row_id" uuid NOT NULL,
	"change_id" uuid NOT NULL,
	CONSTRAINT "mentions_studio_id_row_id_change_id_pk" PRIMARY KEY("studio_id","row_id","change_id")
);
--> statement-breakpoint
ALTER TABLE "summaries" DISABLE ROW LEVEL SECURITY;--> statement-breakpoint
DROP TABLE "summaries" CASCADE;--> statement-breakpoint
ALTER TABLE "mentions" ADD CONSTRAINT "mentions_change" FOREIGN KEY ("studio_id","change_id") REFERENCES "public"."changes"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchases" ADD CONSTRAINT "purchases_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
-- What the diary already tells is found by row too.
ALTER TABLE "changed_rows" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
INSERT INTO "mentions" ("studio_id", "row_id", "change_id")
SELECT DISTINCT told.studio_id, told.value::uuid, told.change_id FROM (
  SELECT studio_id, change_id, row_id::text AS value FROM "changed_rows"
  UNION ALL
  SELECT r.studio_id, r.change_id, field.value FROM "changed_rows" r, jsonb_each_text(coalesce(r.after, '{}')) AS field
  UNION ALL
  SELECT r.studio_id, r.change_id, field.value FROM "changed_rows" r, jsonb_each_text(coalesce(r.before, '{}')) AS field
) AS told
WHERE told.value ~ '^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$';--> statement-breakpoint
ALTER TABLE "changed_rows" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
-- Every table with a studio is shown to that studio alone. Whoever migrates calls this when the tables are made, so that
-- a new kind of row needs no line of its own here.
CREATE FUNCTION "bonitas_secure"() RETURNS void LANGUAGE plpgsql AS $$
DECLARE name text;
BEGIN
  FOR name IN
    SELECT c.relname FROM pg_class c
    WHERE c.relkind = 'r' AND c.relnamespace = 'public'::regnamespace AND NOT c.relforcerowsecurity
      AND EXISTS (SELECT FROM pg_attribute a WHERE a.attrelid = c.oid AND a.attname = 'studio_id' AND NOT a.attisdropped)
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
    EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON %I TO bonitas_app', name);
  END LOOP;
END $$;--> statement-breakpoint
SELECT "bonitas_secure"();--> statement-breakpoint
REVOKE UPDATE, DELETE ON "mentions" FROM bonitas_app;
