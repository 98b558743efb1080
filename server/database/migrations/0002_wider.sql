CREATE TABLE "attachments" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"sha256" text NOT NULL,
	"media_type" text NOT NULL,
	"bytes" integer NOT NULL,
	"name" text NOT NULL,
	"added_on" date NOT NULL,
	"order_id" uuid,
	"delivery_id" uuid,
	"candidate_id" uuid,
	"inspiration_id" uuid,
	"finish_id" uuid,
	CONSTRAINT "attachments_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "attachments_on_one" CHECK (num_nonnulls("attachments"."order_id", "attachments"."delivery_id", "attachments"."candidate_id", "attachments"."inspiration_id", "attachments"."finish_id") = 1)
);
--> statement-breakpoint
CREATE TABLE "blobs" (
	"studio_id" uuid NOT NULL,
	"sha256" text NOT NULL,
	"media_type" text NOT NULL,
	"bytes" "bytea" NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "blobs_studio_id_sha256_pk" PRIMARY KEY("studio_id","sha256")
);
--> statement-breakpoint
CREATE TABLE "cancellations" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"purchase_id" uuid NOT NULL,
	"packs" integer NOT NULL,
	"cancelled_on" date NOT NULL,
	"reason" text NOT NULL,
	"credit_minor" bigint NOT NULL,
	"kept_minor" bigint NOT NULL,
	"wanted_again" boolean NOT NULL,
	CONSTRAINT "cancellations_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "cancellations_amounts" CHECK ("cancellations"."packs" > 0 and "cancellations"."credit_minor" >= 0 and "cancellations"."kept_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "candidate_colours" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"candidate_id" uuid NOT NULL,
	"lab_l" double precision NOT NULL,
	"lab_a" double precision NOT NULL,
	"lab_b" double precision NOT NULL,
	CONSTRAINT "candidate_colours_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "candidate_colours_lab" CHECK (lab_l between 0 and 100 and lab_a between -128 and 128 and lab_b between -128 and 128)
);
--> statement-breakpoint
CREATE TABLE "claims" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"purchase_id" uuid NOT NULL,
	"about" text NOT NULL,
	"note" text NOT NULL,
	"asked_minor" bigint NOT NULL,
	"made_on" date NOT NULL,
	"answer" text NOT NULL,
	"granted_minor" bigint NOT NULL,
	"answered_on" date,
	CONSTRAINT "claims_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "claims_amounts" CHECK ("claims"."asked_minor" > 0 and "claims"."granted_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "constraints" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid,
	"reason" text NOT NULL,
	"forbids" text NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "constraints_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "coupons" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"seller_id" uuid NOT NULL,
	"name" text NOT NULL,
	"gives" text NOT NULL,
	"rate_ppm" integer NOT NULL,
	"amount_minor" bigint NOT NULL,
	"base" text NOT NULL,
	"minimum_minor" bigint NOT NULL,
	"ends_on" date,
	"conditions" text NOT NULL,
	CONSTRAINT "coupons_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "coupons_amounts" CHECK ("coupons"."rate_ppm" between 0 and 1000000 and "coupons"."amount_minor" >= 0 and "coupons"."minimum_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "credits" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"seller_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"number" text NOT NULL,
	"face_minor" bigint NOT NULL,
	"got_on" date NOT NULL,
	"expires_on" date,
	CONSTRAINT "credits_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "credits_face" CHECK ("credits"."face_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "inspirations" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	"liked" text NOT NULL,
	"materials" text NOT NULL,
	"hues" text NOT NULL,
	"words" text NOT NULL,
	CONSTRAINT "inspirations_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "orders" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"seller_id" uuid,
	"ordered_on" date NOT NULL,
	"reference" text NOT NULL,
	"bought_by" text NOT NULL,
	"deposit_minor" bigint NOT NULL,
	"balance_due_on" date,
	"tax_rounding" text NOT NULL,
	"coupon_id" uuid,
	"note" text NOT NULL,
	CONSTRAINT "orders_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "orders_deposit" CHECK ("orders"."deposit_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "pattern_parts" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"finish_id" uuid NOT NULL,
	"part_id" uuid NOT NULL,
	"share_ppm" integer NOT NULL,
	CONSTRAINT "pattern_parts_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "pattern_parts_once" UNIQUE("studio_id","makeover_id","finish_id","part_id"),
	CONSTRAINT "pattern_parts_share" CHECK ("pattern_parts"."share_ppm" between 0 and 1000000 and "pattern_parts"."finish_id" <> "pattern_parts"."part_id")
);
--> statement-breakpoint
CREATE TABLE "permissions" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"method" text NOT NULL,
	"ask" text NOT NULL,
	"asked_of" text NOT NULL,
	"asked_on" date NOT NULL,
	"answer" text NOT NULL,
	"answered_on" date,
	"restore" text NOT NULL,
	"restore_piece_id" uuid,
	CONSTRAINT "permissions_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "placings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"purchase_id" uuid NOT NULL,
	"placed_on" date NOT NULL,
	"tags_off_on" date,
	CONSTRAINT "placings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "placings_once" UNIQUE("studio_id","makeover_id","purchase_id")
);
--> statement-breakpoint
CREATE TABLE "prices" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"candidate_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"amount_minor" bigint NOT NULL,
	"seen_on" date NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "prices_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "prices_amount" CHECK ("prices"."amount_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "questions" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid,
	"candidate_id" uuid,
	"ask" text NOT NULL,
	"asked_on" date NOT NULL,
	"needed_by" date,
	"answer" text NOT NULL,
	"answer_note" text NOT NULL,
	"answered_by_id" uuid,
	"answered_on" date,
	CONSTRAINT "questions_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "rulings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"rule" text NOT NULL,
	"value" double precision NOT NULL,
	CONSTRAINT "rulings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "rulings_once" UNIQUE("studio_id","makeover_id","rule")
);
--> statement-breakpoint
CREATE TABLE "samples" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"finish_id" uuid NOT NULL,
	"ordered_on" date,
	"came_on" date,
	"seen_in" text NOT NULL,
	"verdict" text NOT NULL,
	"judged_by" text NOT NULL,
	CONSTRAINT "samples_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "schools" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"question" text NOT NULL,
	"school" text NOT NULL,
	CONSTRAINT "schools_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "schools_once" UNIQUE("studio_id","makeover_id","question")
);
--> statement-breakpoint
CREATE TABLE "scope_choices" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "scope_choices_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "scope_options" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"choice_id" uuid NOT NULL,
	"way" text NOT NULL,
	"name" text NOT NULL,
	"cost_minor" bigint NOT NULL,
	"days" integer NOT NULL,
	"life_years" double precision,
	"methods" text NOT NULL,
	"chosen" boolean NOT NULL,
	"piece_id" uuid,
	CONSTRAINT "scope_options_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "scope_options_cost" CHECK ("scope_options"."cost_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "servings" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"need_id" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	CONSTRAINT "servings_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "servings_once" UNIQUE("studio_id","makeover_id","need_id","piece_id")
);
--> statement-breakpoint
CREATE TABLE "studio_rulings" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"rule" text NOT NULL,
	"value" double precision NOT NULL,
	CONSTRAINT "studio_rulings_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "studio_rulings_once" UNIQUE("studio_id","rule")
);
--> statement-breakpoint
CREATE TABLE "studio_schools" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"question" text NOT NULL,
	"school" text NOT NULL,
	CONSTRAINT "studio_schools_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "studio_schools_once" UNIQUE("studio_id","question")
);
--> statement-breakpoint
CREATE TABLE "substitutions" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"from_id" uuid NOT NULL,
	"to_id" uuid NOT NULL,
	"from_landed_minor" bigint NOT NULL,
	"to_landed_minor" bigint NOT NULL,
	"reason" text NOT NULL,
	"agreed_by_id" uuid,
	"made_on" date NOT NULL,
	CONSTRAINT "substitutions_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "substitutions_amounts" CHECK ("substitutions"."from_landed_minor" >= 0 and "substitutions"."to_landed_minor" >= 0)
);
--> statement-breakpoint
ALTER TABLE "deliveries" DROP CONSTRAINT "deliveries_packs";--> statement-breakpoint
ALTER TABLE "finishes" DROP CONSTRAINT "finishes_lab";--> statement-breakpoint
ALTER TABLE "purchases" DROP CONSTRAINT "purchases_packs";--> statement-breakpoint
ALTER TABLE "returns" DROP CONSTRAINT "returns_amounts";--> statement-breakpoint
ALTER TABLE "payments" DROP CONSTRAINT "payments_purchase";
--> statement-breakpoint
ALTER TABLE "pieces" DROP CONSTRAINT "pieces_need";
--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "seller_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "pieces" ALTER COLUMN "category_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "agreements" ADD COLUMN "kept" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "source" text DEFAULT 'new' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "article" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "link" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "colour_name" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "batch" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "condition" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "origin" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "keep_reason" text;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "go_back_on" date;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "hole" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "look_again_on" date;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "periods" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "work_minor" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "hours" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "hour_minor" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "trade_ppm" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "adjust_days" integer;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "price_kind" text DEFAULT 'asked' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "priced_on" date;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "width_mm" double precision;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "depth_mm" double precision;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "height_mm" double precision;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "life_years" double precision;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "methods" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "qualities" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "turned_down" text;--> statement-breakpoint
ALTER TABLE "deliveries" ADD COLUMN "damaged_packs" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "deliveries" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "surface" text DEFAULT 'other' NOT NULL;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "piece_id" uuid;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "pattern" text DEFAULT 'plain' NOT NULL;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "pattern_scale" text;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "methods" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "finishes" ADD COLUMN "qualities" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "makeovers" ADD COLUMN "scope" text DEFAULT 'decorate' NOT NULL;--> statement-breakpoint
ALTER TABLE "needs" ADD COLUMN "who" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "payments" ADD COLUMN "order_id" uuid;--> statement-breakpoint
ALTER TABLE "payments" ADD COLUMN "credit_id" uuid;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "set_name" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "width_mm" double precision;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "depth_mm" double precision;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "height_mm" double precision;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "hides" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "order_id" uuid;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "coupon_minor" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "periods" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "work_minor" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "hours" double precision DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "hour_minor" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "trade_ppm" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" ADD COLUMN "adjust_days" integer;--> statement-breakpoint
ALTER TABLE "returns" ADD COLUMN "restocking_minor" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "returns" ADD COLUMN "settles" text DEFAULT 'money' NOT NULL;--> statement-breakpoint
ALTER TABLE "sellers" ADD COLUMN "tax_rounding" text DEFAULT 'line' NOT NULL;--> statement-breakpoint
ALTER TABLE "sellers" ADD COLUMN "adjust_days" integer;--> statement-breakpoint
ALTER TABLE "sellers" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
-- What was one row, an order of one thing, is now an order and its line; a payment is for the order. The owner sees
-- all studios for the length of this migration, and row-level security is forced on it again at its end.
ALTER TABLE "purchases" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "payments" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "pieces" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "candidates" NO FORCE ROW LEVEL SECURITY;--> statement-breakpoint
INSERT INTO "orders" ("studio_id", "makeover_id", "id", "version", "seller_id", "ordered_on", "reference", "bought_by", "deposit_minor", "tax_rounding", "note")
  SELECT p."studio_id", p."makeover_id", p."id", p."version", c."seller_id", p."ordered_on", p."reference", 'client', 0, 'line', ''
  FROM "purchases" p JOIN "candidates" c USING ("studio_id", "makeover_id") WHERE c."id" = p."candidate_id";--> statement-breakpoint
UPDATE "purchases" SET "order_id" = "id";--> statement-breakpoint
UPDATE "payments" SET "order_id" = "purchase_id";--> statement-breakpoint
INSERT INTO "servings" ("studio_id", "makeover_id", "id", "version", "need_id", "piece_id")
  SELECT "studio_id", "makeover_id", "id", "version", "need_id", "id" FROM "pieces" WHERE "need_id" IS NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "order_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "payments" ALTER COLUMN "order_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "purchases" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "payments" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "pieces" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "candidates" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "agreements" ALTER COLUMN "kept" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "source" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "article" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "link" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "colour_name" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "batch" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "condition" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "origin" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "hole" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "periods" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "work_minor" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "hours" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "hour_minor" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "trade_ppm" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "price_kind" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "methods" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "qualities" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "deliveries" ALTER COLUMN "damaged_packs" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "deliveries" ALTER COLUMN "note" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "finishes" ALTER COLUMN "surface" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "finishes" ALTER COLUMN "pattern" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "finishes" ALTER COLUMN "methods" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "finishes" ALTER COLUMN "qualities" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "makeovers" ALTER COLUMN "scope" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "needs" ALTER COLUMN "who" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "pieces" ALTER COLUMN "set_name" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "pieces" ALTER COLUMN "hides" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "coupon_minor" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "periods" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "work_minor" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "hours" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "hour_minor" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "purchases" ALTER COLUMN "trade_ppm" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "returns" ALTER COLUMN "restocking_minor" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "returns" ALTER COLUMN "settles" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "sellers" ALTER COLUMN "tax_rounding" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "sellers" ALTER COLUMN "note" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_blob" FOREIGN KEY ("studio_id","sha256") REFERENCES "public"."blobs"("studio_id","sha256") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_order" FOREIGN KEY ("studio_id","makeover_id","order_id") REFERENCES "public"."orders"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_delivery" FOREIGN KEY ("studio_id","makeover_id","delivery_id") REFERENCES "public"."deliveries"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_candidate" FOREIGN KEY ("studio_id","makeover_id","candidate_id") REFERENCES "public"."candidates"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_inspiration" FOREIGN KEY ("studio_id","makeover_id","inspiration_id") REFERENCES "public"."inspirations"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_finish" FOREIGN KEY ("studio_id","makeover_id","finish_id") REFERENCES "public"."finishes"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "cancellations" ADD CONSTRAINT "cancellations_purchase" FOREIGN KEY ("studio_id","makeover_id","purchase_id") REFERENCES "public"."purchases"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "candidate_colours" ADD CONSTRAINT "candidate_colours_candidate" FOREIGN KEY ("studio_id","makeover_id","candidate_id") REFERENCES "public"."candidates"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "claims" ADD CONSTRAINT "claims_purchase" FOREIGN KEY ("studio_id","makeover_id","purchase_id") REFERENCES "public"."purchases"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "constraints" ADD CONSTRAINT "constraints_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "coupons" ADD CONSTRAINT "coupons_seller" FOREIGN KEY ("studio_id","seller_id") REFERENCES "public"."sellers"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "credits" ADD CONSTRAINT "credits_seller" FOREIGN KEY ("studio_id","seller_id") REFERENCES "public"."sellers"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "orders" ADD CONSTRAINT "orders_seller" FOREIGN KEY ("studio_id","seller_id") REFERENCES "public"."sellers"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "orders" ADD CONSTRAINT "orders_coupon" FOREIGN KEY ("studio_id","makeover_id","coupon_id") REFERENCES "public"."coupons"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pattern_parts" ADD CONSTRAINT "pattern_parts_finish" FOREIGN KEY ("studio_id","makeover_id","finish_id") REFERENCES "public"."finishes"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pattern_parts" ADD CONSTRAINT "pattern_parts_part" FOREIGN KEY ("studio_id","makeover_id","part_id") REFERENCES "public"."finishes"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "permissions" ADD CONSTRAINT "permissions_restore_piece" FOREIGN KEY ("studio_id","makeover_id","restore_piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "placings" ADD CONSTRAINT "placings_purchase" FOREIGN KEY ("studio_id","makeover_id","purchase_id") REFERENCES "public"."purchases"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "prices" ADD CONSTRAINT "prices_candidate" FOREIGN KEY ("studio_id","makeover_id","candidate_id") REFERENCES "public"."candidates"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "questions" ADD CONSTRAINT "questions_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "questions" ADD CONSTRAINT "questions_candidate" FOREIGN KEY ("studio_id","makeover_id","candidate_id") REFERENCES "public"."candidates"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "questions" ADD CONSTRAINT "questions_answered_by" FOREIGN KEY ("studio_id","makeover_id","answered_by_id") REFERENCES "public"."clients"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "samples" ADD CONSTRAINT "samples_finish" FOREIGN KEY ("studio_id","makeover_id","finish_id") REFERENCES "public"."finishes"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scope_choices" ADD CONSTRAINT "scope_choices_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scope_options" ADD CONSTRAINT "scope_options_choice" FOREIGN KEY ("studio_id","makeover_id","choice_id") REFERENCES "public"."scope_choices"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "scope_options" ADD CONSTRAINT "scope_options_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "servings" ADD CONSTRAINT "servings_need" FOREIGN KEY ("studio_id","makeover_id","need_id") REFERENCES "public"."needs"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "servings" ADD CONSTRAINT "servings_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "substitutions" ADD CONSTRAINT "substitutions_from" FOREIGN KEY ("studio_id","makeover_id","piece_id","from_id") REFERENCES "public"."candidates"("studio_id","makeover_id","piece_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "substitutions" ADD CONSTRAINT "substitutions_to" FOREIGN KEY ("studio_id","makeover_id","piece_id","to_id") REFERENCES "public"."candidates"("studio_id","makeover_id","piece_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "substitutions" ADD CONSTRAINT "substitutions_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "substitutions" ADD CONSTRAINT "substitutions_agreed_by" FOREIGN KEY ("studio_id","makeover_id","agreed_by_id") REFERENCES "public"."clients"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finishes" ADD CONSTRAINT "finishes_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payments" ADD CONSTRAINT "payments_order" FOREIGN KEY ("studio_id","makeover_id","order_id") REFERENCES "public"."orders"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payments" ADD CONSTRAINT "payments_credit" FOREIGN KEY ("studio_id","makeover_id","credit_id") REFERENCES "public"."credits"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchases" ADD CONSTRAINT "purchases_order" FOREIGN KEY ("studio_id","makeover_id","order_id") REFERENCES "public"."orders"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deliveries" ADD CONSTRAINT "deliveries_packs" CHECK ("deliveries"."packs" > 0 and "deliveries"."damaged_packs" between 0 and "deliveries"."packs");--> statement-breakpoint
ALTER TABLE "finishes" ADD CONSTRAINT "finishes_lab" CHECK (lab_l between 0 and 100 and lab_a between -128 and 128 and lab_b between -128 and 128);--> statement-breakpoint
ALTER TABLE "purchases" ADD CONSTRAINT "purchases_packs" CHECK ("purchases"."packs" > 0 and "purchases"."coupon_minor" >= 0);--> statement-breakpoint
ALTER TABLE "returns" ADD CONSTRAINT "returns_amounts" CHECK ("returns"."packs" > 0 and "returns"."credit_minor" >= 0 and "returns"."restocking_minor" >= 0);