CREATE TABLE "dressings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"opening_id" uuid NOT NULL,
	"place" double precision NOT NULL,
	"what" text NOT NULL,
	"finish_id" uuid,
	"piece_id" uuid,
	"hung" text NOT NULL,
	"inside" boolean NOT NULL,
	"round_bay" boolean NOT NULL,
	"heading" text NOT NULL,
	"fullness" double precision,
	"falls" text NOT NULL,
	"pair" boolean NOT NULL,
	"lining" text NOT NULL,
	"centred" boolean NOT NULL,
	"track_mm" double precision,
	"at_mm" double precision,
	"return_mm" double precision,
	"stays_mm" double precision,
	"stand_off_mm" double precision,
	"dark" text,
	"note" text NOT NULL,
	CONSTRAINT "dressings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "makings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"place" double precision NOT NULL,
	"name" text NOT NULL,
	"calculator" text NOT NULL,
	"counts" boolean NOT NULL,
	"cloth_id" uuid,
	"finish_id" uuid,
	"second_id" uuid,
	"hours" numeric(9, 3),
	"rate_minor" bigint NOT NULL,
	"hire_minor" bigint NOT NULL,
	"bought_minor" bigint NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "makings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "measures" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"making_id" uuid NOT NULL,
	"asked" text NOT NULL,
	"answer" text NOT NULL,
	CONSTRAINT "measures_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "supplies" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"making_id" uuid NOT NULL,
	"name" text NOT NULL,
	"needed" numeric(9, 3) NOT NULL,
	"unit" text NOT NULL,
	"at_home" double precision NOT NULL,
	"pack_size" numeric(9, 3) NOT NULL,
	"pack_minor" bigint NOT NULL,
	"place" integer NOT NULL,
	CONSTRAINT "supplies_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
ALTER TABLE "dressings" ADD CONSTRAINT "dressings_opening" FOREIGN KEY ("studio_id","makeover_id","opening_id") REFERENCES "public"."openings"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dressings" ADD CONSTRAINT "dressings_finish" FOREIGN KEY ("studio_id","makeover_id","finish_id") REFERENCES "public"."finishes"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "dressings" ADD CONSTRAINT "dressings_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "makings" ADD CONSTRAINT "makings_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "makings" ADD CONSTRAINT "makings_cloth" FOREIGN KEY ("studio_id","makeover_id","cloth_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "makings" ADD CONSTRAINT "makings_finish" FOREIGN KEY ("studio_id","makeover_id","finish_id") REFERENCES "public"."finishes"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "makings" ADD CONSTRAINT "makings_second" FOREIGN KEY ("studio_id","makeover_id","second_id") REFERENCES "public"."finishes"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "measures" ADD CONSTRAINT "measures_making" FOREIGN KEY ("studio_id","makeover_id","making_id") REFERENCES "public"."makings"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "supplies" ADD CONSTRAINT "supplies_making" FOREIGN KEY ("studio_id","makeover_id","making_id") REFERENCES "public"."makings"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['dressings', 'makings', 'measures', 'supplies'] LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "dressings", "makings", "measures", "supplies" TO bonitas_app;
