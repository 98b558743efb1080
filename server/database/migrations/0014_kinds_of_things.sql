CREATE TABLE "clear_widths" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"wall_id" uuid NOT NULL,
	"opening_id" uuid,
	"above_mm" double precision NOT NULL,
	"width_mm" double precision NOT NULL,
	CONSTRAINT "clear_widths_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "square_tests" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"wall_id" uuid NOT NULL,
	"along_mm" double precision NOT NULL,
	"next_mm" double precision NOT NULL,
	"across_mm" double precision NOT NULL,
	CONSTRAINT "square_tests_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "square_tests_once" UNIQUE("studio_id","makeover_id","wall_id")
);
--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "return_from" text NOT NULL DEFAULT 'arrival';--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "return_from" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "weight_kg" double precision;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "holds" numeric(9, 3);--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "top_mm" double precision;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "front" text;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "made_of" text;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "cleaning" text;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "suits" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "suits" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "styles" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "styles" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "holes" integer;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "promised_on" date;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "fall_back" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "fall_back" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "credits" ADD COLUMN "whole_group" boolean NOT NULL DEFAULT false;--> statement-breakpoint
ALTER TABLE "credits" ALTER COLUMN "whole_group" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "deliveries" ADD COLUMN "came_instead" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "deliveries" ALTER COLUMN "came_instead" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "tested" text;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "lrv" double precision;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "touch_up" boolean NOT NULL DEFAULT false;--> statement-breakpoint
ALTER TABLE "finishes" ALTER COLUMN "touch_up" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "weave" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "finishes" ALTER COLUMN "weave" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "makeovers" ADD COLUMN "contrast_by" text NOT NULL DEFAULT 'BS 8300-2';--> statement-breakpoint
ALTER TABLE "makeovers" ALTER COLUMN "contrast_by" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "needs" ADD COLUMN "amount" numeric(9, 3);--> statement-breakpoint
ALTER TABLE "needs" ADD COLUMN "unit" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "needs" ALTER COLUMN "unit" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "needs" ADD COLUMN "until_on" date;--> statement-breakpoint
ALTER TABLE "needs" ADD COLUMN "struck_on" date;--> statement-breakpoint
ALTER TABLE "needs" ADD COLUMN "struck_reason" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "needs" ALTER COLUMN "struck_reason" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "openings" ADD COLUMN "view_name" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "openings" ALTER COLUMN "view_name" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "openings" ADD COLUMN "view_l" double precision;--> statement-breakpoint
ALTER TABLE "openings" ADD COLUMN "view_a" double precision;--> statement-breakpoint
ALTER TABLE "openings" ADD COLUMN "view_b" double precision;--> statement-breakpoint
ALTER TABLE "permissions" ADD COLUMN "holes" integer;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "thing" text NOT NULL DEFAULT 'other';--> statement-breakpoint
ALTER TABLE "pieces" ALTER COLUMN "thing" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "opening_id" uuid;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "off_coupon" boolean NOT NULL DEFAULT false;--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "off_coupon" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "return_from" text NOT NULL DEFAULT 'arrival';--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "return_from" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "returns" ADD COLUMN "carriage_minor" bigint NOT NULL DEFAULT 0;--> statement-breakpoint
ALTER TABLE "returns" ALTER COLUMN "carriage_minor" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "rooms" ADD COLUMN "uses" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "rooms" ALTER COLUMN "uses" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "sellers" ADD COLUMN "group_name" text NOT NULL DEFAULT '';--> statement-breakpoint
ALTER TABLE "sellers" ALTER COLUMN "group_name" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "clear_widths" ADD CONSTRAINT "clear_widths_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "clear_widths" ADD CONSTRAINT "clear_widths_opening" FOREIGN KEY ("studio_id","makeover_id","opening_id") REFERENCES "public"."openings"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "square_tests" ADD CONSTRAINT "square_tests_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pieces" ADD CONSTRAINT "pieces_opening" FOREIGN KEY ("studio_id","makeover_id","opening_id") REFERENCES "public"."openings"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['clear_widths', 'square_tests']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "clear_widths", "square_tests" TO bonitas_app;
