CREATE TABLE "residents" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	"eye_mm" double precision,
	CONSTRAINT "residents_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
ALTER TABLE "residents" ENABLE ROW LEVEL SECURITY;
--> statement-breakpoint
ALTER TABLE "residents" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
CREATE POLICY own_studio ON "residents" USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio());
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "residents" TO bonitas_app;
