CREATE TABLE "make_ups" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"candidate_id" uuid NOT NULL,
	"rate_m2" double precision,
	"coats" integer,
	"width_mm" double precision,
	"length_mm" double precision,
	"thick_mm" double precision,
	"repeat_mm" double precision,
	"match" text NOT NULL,
	"offset_mm" double precision,
	"joint_mm" double precision,
	"kerf_mm" double precision,
	CONSTRAINT "make_ups_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "make_ups_once" UNIQUE("studio_id","makeover_id","candidate_id")
);
--> statement-breakpoint
CREATE TABLE "sale_sizes" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"candidate_id" uuid NOT NULL,
	"name" text NOT NULL,
	"holds" numeric(9, 3) NOT NULL,
	"price_minor" bigint NOT NULL,
	"width_mm" double precision,
	"length_mm" double precision,
	"wanted" integer NOT NULL,
	CONSTRAINT "sale_sizes_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "sundries" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"stands" text NOT NULL,
	"name" text NOT NULL,
	"quantity" double precision NOT NULL,
	"unit" text NOT NULL,
	"have" boolean NOT NULL,
	"piece_id" uuid,
	CONSTRAINT "sundries_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "treated_parts" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"treatment_id" uuid NOT NULL,
	"surface" text NOT NULL,
	"wall_id" uuid,
	"opening_id" uuid,
	"band_from_mm" double precision,
	"band_to_mm" double precision,
	"along_from_mm" double precision,
	"along_to_mm" double precision,
	CONSTRAINT "treated_parts_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "treatments" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"finish_id" uuid NOT NULL,
	"place" double precision NOT NULL,
	"how" text NOT NULL,
	"piece_id" uuid,
	"instead_of_id" uuid,
	"layout" text NOT NULL,
	"turned" boolean NOT NULL,
	"start_mm" double precision NOT NULL,
	"up_mm" double precision NOT NULL,
	"reuse" boolean NOT NULL,
	"coats" integer,
	"under" text NOT NULL,
	"joint_mm" double precision,
	"left_over" double precision NOT NULL,
	"left_from" text NOT NULL,
	"panels" integer,
	"gap_mm" double precision,
	"profile" text,
	"thick_mm" double precision,
	"base_mm" double precision,
	"every_mm" double precision,
	"leave_out" text NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "treatments_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
ALTER TABLE "finishes" DROP CONSTRAINT "finishes_wall";
--> statement-breakpoint
ALTER TABLE "make_ups" ADD CONSTRAINT "make_ups_candidate" FOREIGN KEY ("studio_id","makeover_id","candidate_id") REFERENCES "public"."candidates"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sale_sizes" ADD CONSTRAINT "sale_sizes_candidate" FOREIGN KEY ("studio_id","makeover_id","candidate_id") REFERENCES "public"."candidates"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sundries" ADD CONSTRAINT "sundries_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sundries" ADD CONSTRAINT "sundries_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "treated_parts" ADD CONSTRAINT "treated_parts_treatment" FOREIGN KEY ("studio_id","makeover_id","treatment_id") REFERENCES "public"."treatments"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "treated_parts" ADD CONSTRAINT "treated_parts_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "treated_parts" ADD CONSTRAINT "treated_parts_opening" FOREIGN KEY ("studio_id","makeover_id","opening_id") REFERENCES "public"."openings"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "treatments" ADD CONSTRAINT "treatments_finish" FOREIGN KEY ("studio_id","makeover_id","finish_id") REFERENCES "public"."finishes"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "treatments" ADD CONSTRAINT "treatments_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "treatments" ADD CONSTRAINT "treatments_instead_of" FOREIGN KEY ("studio_id","makeover_id","instead_of_id") REFERENCES "public"."treatments"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
-- a finish that lies on a surface of its room gets a treatment there, with the same id and the version it had
INSERT INTO "treatments" ("studio_id", "makeover_id", "id", "version", "finish_id", "place", "how", "layout", "turned", "start_mm", "up_mm", "reuse", "under", "left_over", "left_from", "leave_out", "note")
SELECT "studio_id", "makeover_id", "id", "version", "id", "place",
  CASE
    WHEN "family" = 'paint' THEN 'paint'
    WHEN "family" IN ('textile', 'plush', 'leather', 'cane', 'greenery') THEN 'loose'
    WHEN "surface" NOT IN ('walls', 'floor', 'ceiling') THEN 'as it is'
    WHEN "family" = 'paper' THEN CASE WHEN "surface" = 'floor' THEN 'as it is' ELSE 'paper' END
    WHEN "family" = 'ceramic' OR "texture" = 'tile' THEN 'tile'
    WHEN "family" = 'stone' THEN CASE WHEN "surface" = 'floor' THEN 'tile' ELSE 'as it is' END
    WHEN "family" = 'wood' THEN CASE WHEN "surface" = 'floor' THEN 'boards' ELSE 'panels' END
    ELSE 'as it is'
  END,
  'grid', false, 0, 0, true, 'as proposed', 0, '', '', ''
FROM "finishes" WHERE "surface" NOT IN ('piece', 'other');--> statement-breakpoint
INSERT INTO "treated_parts" ("studio_id", "makeover_id", "id", "version", "treatment_id", "surface", "wall_id", "band_from_mm", "band_to_mm")
SELECT "studio_id", "makeover_id", "id", "version", "id", "surface", "wall_id", "band_from_mm", "band_to_mm"
FROM "finishes" WHERE "surface" NOT IN ('piece', 'other');--> statement-breakpoint
SET CONSTRAINTS ALL IMMEDIATE;--> statement-breakpoint
ALTER TABLE "finishes" DROP COLUMN "surface";--> statement-breakpoint
ALTER TABLE "finishes" DROP COLUMN "wall_id";--> statement-breakpoint
ALTER TABLE "finishes" DROP COLUMN "band_from_mm";--> statement-breakpoint
ALTER TABLE "finishes" DROP COLUMN "band_to_mm";--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['make_ups', 'sale_sizes', 'sundries', 'treated_parts', 'treatments']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "make_ups", "sale_sizes", "sundries", "treated_parts", "treatments" TO bonitas_app;
