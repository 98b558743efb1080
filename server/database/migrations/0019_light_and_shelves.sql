CREATE TABLE "lamps" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"candidate_id" uuid NOT NULL,
	"lumens" double precision NOT NULL,
	"kelvin" double precision,
	"spread" text NOT NULL,
	"beam_deg" double precision,
	"source_mm" double precision,
	"dims" boolean NOT NULL,
	"water" integer,
	CONSTRAINT "lamps_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "lamps_once" UNIQUE("studio_id","makeover_id","candidate_id")
);
--> statement-breakpoint
CREATE TABLE "shelvings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"heights" text NOT NULL,
	CONSTRAINT "shelvings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "shelvings_once" UNIQUE("studio_id","makeover_id","piece_id")
);
--> statement-breakpoint
CREATE TABLE "showpieces" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"board" integer NOT NULL,
	"along_mm" double precision NOT NULL,
	"name" text NOT NULL,
	"what" text NOT NULL,
	"width_mm" double precision NOT NULL,
	"height_mm" double precision NOT NULL,
	"depth_mm" double precision,
	"made_of" text,
	"lab_l" double precision,
	"lab_a" double precision,
	"lab_b" double precision,
	"heavy" boolean NOT NULL,
	"leads" boolean NOT NULL,
	CONSTRAINT "showpieces_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
ALTER TABLE "hangings" ADD COLUMN "group_name" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "hangings" ALTER COLUMN "group_name" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "walls" ADD COLUMN "made_of" text DEFAULT 'not said' NOT NULL;--> statement-breakpoint
ALTER TABLE "walls" ALTER COLUMN "made_of" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "lamps" ADD CONSTRAINT "lamps_candidate" FOREIGN KEY ("studio_id","makeover_id","candidate_id") REFERENCES "public"."candidates"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shelvings" ADD CONSTRAINT "shelvings_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "showpieces" ADD CONSTRAINT "showpieces_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['lamps', 'shelvings', 'showpieces']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "lamps", "shelvings", "showpieces" TO bonitas_app;
