DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['attachments', 'blobs', 'cancellations', 'candidate_colours', 'claims', 'constraints', 'coupons', 'credits', 'inspirations', 'orders', 'pattern_parts', 'permissions', 'placings', 'prices', 'questions', 'rulings', 'samples', 'schools', 'scope_choices', 'scope_options', 'servings', 'studio_rulings', 'studio_schools', 'substitutions']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO bonitas_app;
--> statement-breakpoint
-- The diary is written once, and a file never changes under its own digest.
REVOKE UPDATE, DELETE ON "changes", "changed_documents", "changed_rows", "blobs" FROM bonitas_app;
--> statement-breakpoint
-- What the day page shows is reckoned anew: it says more now.
ALTER TABLE "summaries" NO FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
UPDATE "summaries" SET "reckoned_on" = '1970-01-01';
--> statement-breakpoint
ALTER TABLE "summaries" FORCE ROW LEVEL SECURITY;
