DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['surveys', 'walls', 'slopes', 'diagonals', 'openings', 'fixtures', 'passages']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "surveys", "walls", "slopes", "diagonals", "openings", "fixtures", "passages" TO bonitas_app;
--> statement-breakpoint
-- Two rooms joined by one opening may be measured in any order: checked at commit.
ALTER TABLE "openings" ADD CONSTRAINT "openings_shares"
  FOREIGN KEY ("studio_id", "makeover_id", "shares_id")
  REFERENCES "openings" ("studio_id", "makeover_id", "id")
  DEFERRABLE INITIALLY DEFERRED;
--> statement-breakpoint
-- Where a makeover is told in feet and inches, a bare number was in inches, and it stays so.
ALTER TABLE "makeovers" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
UPDATE "makeovers" SET "entry_unit" = 'in' WHERE "units" = 'feet and inches';
--> statement-breakpoint
ALTER TABLE "makeovers" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
-- What the day page shows is reckoned anew: it says more now.
ALTER TABLE "summaries" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
UPDATE "summaries" SET "reckoned_on" = '1970-01-01';
--> statement-breakpoint
ALTER TABLE "summaries" FORCE ROW LEVEL SECURITY;
