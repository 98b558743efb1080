CREATE TABLE "viewings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"sample_id" uuid NOT NULL,
	"wall_id" uuid,
	"light" text NOT NULL,
	"seen_on" date,
	"verdict" text NOT NULL,
	"judged_by" text NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "viewings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "zone_id" uuid;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "place" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "texture" text DEFAULT 'usual' NOT NULL;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "repeat_mm" double precision;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "suits" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "hides" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "wall_id" uuid;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "above_mm" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "viewings" ADD CONSTRAINT "viewings_sample" FOREIGN KEY ("studio_id","makeover_id","sample_id") REFERENCES "public"."samples"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "viewings" ADD CONSTRAINT "viewings_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finishes" ADD CONSTRAINT "finishes_zone" FOREIGN KEY ("studio_id","makeover_id","zone_id") REFERENCES "public"."zones"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pieces" ADD CONSTRAINT "pieces_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
-- What an older row did not say is said once; new rows say it themselves.
ALTER TABLE "finishes" ALTER COLUMN "place" DROP DEFAULT, ALTER COLUMN "texture" DROP DEFAULT, ALTER COLUMN "suits" DROP DEFAULT, ALTER COLUMN "hides" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "pieces" ALTER COLUMN "above_mm" DROP DEFAULT;--> statement-breakpoint
-- Each light a sample was seen by becomes a look of its own, under the id that an older change set is given too.
ALTER TABLE "samples" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
INSERT INTO "viewings" ("studio_id", "makeover_id", "id", "version", "sample_id", "light", "verdict", "judged_by", "note")
SELECT s."studio_id", s."makeover_id",
       (left(s."id"::text, 35) || substr('0123456789abcdef', 1 + (strpos('0123456789abcdef', right(s."id"::text, 1)) - 1 + array_position(ARRAY['morning', 'noon', 'evening', 'lamp'], light)) % 16, 1))::uuid,
       s."version", s."id", light, 'open', '', ''
FROM "samples" s, unnest(string_to_array(s."seen_in", ', ')) AS light
WHERE light <> '';--> statement-breakpoint
ALTER TABLE "samples" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "samples" DROP COLUMN "seen_in";--> statement-breakpoint
ALTER TABLE "viewings" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "viewings" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_studio ON "viewings" USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "viewings" TO bonitas_app;--> statement-breakpoint
-- What the day page shows is reckoned anew: it says more now.
ALTER TABLE "summaries" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
UPDATE "summaries" SET "reckoned_on" = '1970-01-01';--> statement-breakpoint
ALTER TABLE "summaries" FORCE ROW LEVEL SECURITY;
--> statement-breakpoint
-- A pattern may change its colours about among each other: that none is there twice is checked at commit.
ALTER TABLE "pattern_parts" DROP CONSTRAINT "pattern_parts_once";--> statement-breakpoint
ALTER TABLE "pattern_parts" ADD CONSTRAINT "pattern_parts_once" UNIQUE ("studio_id", "makeover_id", "finish_id", "part_id") DEFERRABLE INITIALLY DEFERRED;
