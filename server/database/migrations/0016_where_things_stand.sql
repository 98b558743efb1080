CREATE TABLE "footprints" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"shape" text NOT NULL,
	"notch_width_mm" double precision,
	"notch_depth_mm" double precision,
	"points" text NOT NULL,
	"clear_under_mm" double precision,
	"legs_in_mm" double precision,
	"front_mm" double precision,
	"back_mm" double precision,
	"left_mm" double precision,
	"right_mm" double precision,
	"lead_mm" double precision,
	"packed_width_mm" double precision,
	"packed_depth_mm" double precision,
	"packed_height_mm" double precision,
	"legs_off_mm" double precision,
	CONSTRAINT "footprints_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "footprints_once" UNIQUE("studio_id","makeover_id","piece_id")
);
--> statement-breakpoint
CREATE TABLE "layouts" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"name" text NOT NULL,
	"place" double precision NOT NULL,
	"in_force" boolean NOT NULL,
	CONSTRAINT "layouts_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "open_states" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"name" text NOT NULL,
	"front_mm" double precision NOT NULL,
	"back_mm" double precision NOT NULL,
	"left_mm" double precision NOT NULL,
	"right_mm" double precision NOT NULL,
	"height_mm" double precision,
	CONSTRAINT "open_states_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "rug_sizes" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"width_mm" double precision NOT NULL,
	"length_mm" double precision NOT NULL,
	"left_out" boolean NOT NULL,
	CONSTRAINT "rug_sizes_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "standings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"layout_id" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"x_mm" double precision NOT NULL,
	"y_mm" double precision NOT NULL,
	"turn_deg" double precision NOT NULL,
	"pinned" boolean NOT NULL,
	CONSTRAINT "standings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "standings_once" UNIQUE("studio_id","makeover_id","layout_id","piece_id","number")
);
--> statement-breakpoint
ALTER TABLE "openings" ADD COLUMN "round" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "openings" ALTER COLUMN "round" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "zones" ADD COLUMN "activity" text;--> statement-breakpoint
ALTER TABLE "footprints" ADD CONSTRAINT "footprints_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "layouts" ADD CONSTRAINT "layouts_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "open_states" ADD CONSTRAINT "open_states_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "standings" ADD CONSTRAINT "standings_layout" FOREIGN KEY ("studio_id","makeover_id","layout_id") REFERENCES "public"."layouts"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "standings" ADD CONSTRAINT "standings_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['footprints', 'layouts', 'open_states', 'rug_sizes', 'standings']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "footprints", "layouts", "open_states", "rug_sizes", "standings" TO bonitas_app;
