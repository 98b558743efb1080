CREATE TABLE "upload_parts" (
	"studio_id" uuid NOT NULL,
	"upload_id" text NOT NULL,
	"at" integer NOT NULL,
	"bytes" "bytea" NOT NULL,
	"came_at" timestamp with time zone NOT NULL,
	CONSTRAINT "upload_parts_studio_id_upload_id_at_pk" PRIMARY KEY("studio_id","upload_id","at")
);
--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "warranty" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "warranty" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "upload_parts" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "upload_parts" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_studio ON "upload_parts" USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
GRANT SELECT, INSERT, DELETE ON "upload_parts" TO bonitas_app;
