CREATE TABLE "summaries" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"costs" boolean NOT NULL,
	"moment" text NOT NULL,
	"summary" jsonb NOT NULL,
	CONSTRAINT "summaries_studio_id_makeover_id_costs_pk" PRIMARY KEY("studio_id","makeover_id","costs")
);
--> statement-breakpoint
ALTER TABLE "summaries" ADD CONSTRAINT "summaries_document" FOREIGN KEY ("studio_id","makeover_id") REFERENCES "public"."documents"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "summaries" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "summaries" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_studio ON "summaries" USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "summaries" TO bonitas_app;--> statement-breakpoint
-- Whoever lays out the day pages early sees which studios are at work.
CREATE POLICY at_work ON "sessions" FOR SELECT USING (current_setting('bonitas.sweep', true) = 'yes');
