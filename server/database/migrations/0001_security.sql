-- A chosen candidate is one of the piece's own, and piece and candidate point at each other: checked at commit.
ALTER TABLE "pieces" ADD CONSTRAINT "pieces_chosen"
  FOREIGN KEY ("studio_id", "makeover_id", "id", "chosen_id")
  REFERENCES "candidates" ("studio_id", "makeover_id", "piece_id", "id")
  DEFERRABLE INITIALLY DEFERRED;
--> statement-breakpoint
-- The studio of the running transaction; null outside one, which sees nothing.
CREATE FUNCTION "bonitas_studio"() RETURNS uuid LANGUAGE sql STABLE
  RETURN nullif(current_setting('bonitas.studio', true), '')::uuid;
--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['studios', 'sellers', 'documents', 'makeovers', 'clients', 'rooms', 'zones', 'needs',
    'categories', 'agreements', 'agreement_lines', 'finishes', 'pieces', 'candidates', 'purchases', 'deliveries', 'returns',
    'payments', 'acceptances', 'changes', 'changed_documents', 'changed_rows', 'summaries']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
-- Before sign-in no studio is known: a person is found by the email that is presented, a session by its token.
ALTER TABLE "people" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "people" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_studio ON "people"
  USING (studio_id = bonitas_studio() OR email = current_setting('bonitas.email', true))
  WITH CHECK (studio_id = bonitas_studio());
--> statement-breakpoint
ALTER TABLE "sessions" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "sessions" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_session ON "sessions"
  USING (studio_id = bonitas_studio() OR token_hash = current_setting('bonitas.token', true))
  WITH CHECK (studio_id = bonitas_studio());
--> statement-breakpoint
GRANT USAGE ON SCHEMA public TO bonitas_app;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO bonitas_app;
--> statement-breakpoint
-- The diary is written once: nobody rewrites what was done.
REVOKE UPDATE, DELETE ON "changes", "changed_documents", "changed_rows" FROM bonitas_app;
