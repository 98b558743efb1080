CREATE TABLE "diagonals" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"from_id" uuid NOT NULL,
	"to_id" uuid NOT NULL,
	"length_mm" double precision NOT NULL,
	CONSTRAINT "diagonals_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "diagonals_length" CHECK ("diagonals"."length_mm" > 0 and "diagonals"."from_id" <> "diagonals"."to_id")
);
--> statement-breakpoint
CREATE TABLE "fixtures" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"wall_id" uuid NOT NULL,
	"what" text NOT NULL,
	"name" text NOT NULL,
	"from_mm" double precision NOT NULL,
	"from_end" boolean NOT NULL,
	"above_mm" double precision NOT NULL,
	"width_mm" double precision,
	"depth_mm" double precision,
	"height_mm" double precision,
	"out_mm" double precision NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "fixtures_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "openings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"wall_id" uuid NOT NULL,
	"what" text NOT NULL,
	"name" text NOT NULL,
	"from_mm" double precision NOT NULL,
	"from_end" boolean NOT NULL,
	"width_mm" double precision NOT NULL,
	"sill_mm" double precision NOT NULL,
	"head_mm" double precision NOT NULL,
	"reveal_mm" double precision,
	"hinge" text NOT NULL,
	"swing" text NOT NULL,
	"clear_mm" double precision,
	"shares_id" uuid,
	CONSTRAINT "openings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "openings_sizes" CHECK ("openings"."width_mm" > 0 and "openings"."head_mm" > "openings"."sill_mm")
);
--> statement-breakpoint
CREATE TABLE "passages" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"place" double precision NOT NULL,
	"what" text NOT NULL,
	"name" text NOT NULL,
	"width_mm" double precision NOT NULL,
	"height_mm" double precision,
	"depth_mm" double precision,
	"note" text NOT NULL,
	CONSTRAINT "passages_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "slopes" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"wall_id" uuid NOT NULL,
	"low_mm" double precision NOT NULL,
	"run_mm" double precision NOT NULL,
	CONSTRAINT "slopes_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "surveys" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"height_mm" double precision,
	"dado_mm" double precision,
	"rail_mm" double precision,
	"faces_deg" double precision,
	"measured_on" date,
	"note" text NOT NULL,
	CONSTRAINT "surveys_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "surveys_once" UNIQUE("studio_id","makeover_id","room_id")
);
--> statement-breakpoint
CREATE TABLE "walls" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"name" text NOT NULL,
	"place" double precision NOT NULL,
	"length_mm" double precision,
	"corner" text NOT NULL,
	"corner_deg" double precision,
	"curve" text NOT NULL,
	"curve_mm" double precision,
	"bows" text NOT NULL,
	"height_mm" double precision,
	CONSTRAINT "walls_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "walls_lengths" CHECK ("walls"."length_mm" > 0 and "walls"."curve_mm" > 0 and "walls"."height_mm" > 0 and "walls"."corner_deg" > 0 and "walls"."corner_deg" < 360)
);
--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "fate" text;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "condition" text;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "material" text;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "laid_year" integer;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "wall_id" uuid;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "band_from_mm" double precision;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "band_to_mm" double precision;--> statement-breakpoint
ALTER TABLE "makeovers" ADD COLUMN "entry_unit" text NOT NULL DEFAULT 'mm';--> statement-breakpoint
ALTER TABLE "makeovers" ALTER COLUMN "entry_unit" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "makeovers" ADD COLUMN "built_year" integer;--> statement-breakpoint
ALTER TABLE "zones" ADD COLUMN "wall_id" uuid;--> statement-breakpoint
ALTER TABLE "zones" ADD COLUMN "from_mm" double precision;--> statement-breakpoint
ALTER TABLE "zones" ADD COLUMN "width_mm" double precision;--> statement-breakpoint
ALTER TABLE "zones" ADD COLUMN "depth_mm" double precision;--> statement-breakpoint
ALTER TABLE "diagonals" ADD CONSTRAINT "diagonals_from" FOREIGN KEY ("studio_id","makeover_id","from_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "diagonals" ADD CONSTRAINT "diagonals_to" FOREIGN KEY ("studio_id","makeover_id","to_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "fixtures" ADD CONSTRAINT "fixtures_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "openings" ADD CONSTRAINT "openings_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "slopes" ADD CONSTRAINT "slopes_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "surveys" ADD CONSTRAINT "surveys_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "walls" ADD CONSTRAINT "walls_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finishes" ADD CONSTRAINT "finishes_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "zones" ADD CONSTRAINT "zones_wall" FOREIGN KEY ("studio_id","makeover_id","wall_id") REFERENCES "public"."walls"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;