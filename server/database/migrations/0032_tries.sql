CREATE TABLE "tries" (
	"hash" text PRIMARY KEY NOT NULL,
	"count" integer NOT NULL,
	"ends_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "tries" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "tries" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
-- Only whoever tries the same again sees a count, and whoever clears up.
CREATE POLICY own_try ON "tries" USING (hash = current_setting('bonitas.link', true) OR current_setting('bonitas.sweep', true) = 'yes');--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "tries" TO bonitas_app;
