CREATE TABLE "deeds" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"person_id" uuid NOT NULL,
	"what" text NOT NULL,
	"makeover_id" uuid,
	CONSTRAINT "deeds_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "deeds" ADD CONSTRAINT "deeds_person" FOREIGN KEY ("studio_id","person_id") REFERENCES "public"."people"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "deeds_at" ON "deeds" USING btree ("studio_id","at");--> statement-breakpoint
ALTER TABLE "deeds" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "deeds" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_studio ON "deeds" USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
GRANT SELECT, INSERT ON "deeds" TO bonitas_app;--> statement-breakpoint
-- What was done is never rewritten; only that a makeover was its object is forgotten, when the makeover is gone for good.
GRANT UPDATE ("makeover_id") ON "deeds" TO bonitas_app;--> statement-breakpoint
CREATE POLICY only_forgets ON "deeds" AS RESTRICTIVE FOR UPDATE USING (true) WITH CHECK (makeover_id IS NULL);
