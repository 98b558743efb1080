CREATE TABLE "fixings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"method" text NOT NULL,
	"hooks" integer NOT NULL,
	"drop_mm" double precision,
	"spread_mm" double precision,
	"strip_kg" double precision,
	CONSTRAINT "fixings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "fixings_once" UNIQUE("studio_id","makeover_id","piece_id")
);
--> statement-breakpoint
CREATE TABLE "hangings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"wall_id" uuid NOT NULL,
	"along_mm" double precision NOT NULL,
	"centre_mm" double precision NOT NULL,
	"why" text NOT NULL,
	CONSTRAINT "hangings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "hangings_once" UNIQUE("studio_id","makeover_id","piece_id","number")
);
--> statement-breakpoint
ALTER TABLE "fixings" ADD CONSTRAINT "fixings_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hangings" ADD CONSTRAINT "hangings_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hangings" ADD CONSTRAINT "hangings_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['fixings', 'hangings']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "fixings", "hangings" TO bonitas_app;
