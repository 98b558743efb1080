CREATE TABLE "seller_entries" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"seller_id" uuid NOT NULL,
	"contact" text NOT NULL,
	"phone" text NOT NULL,
	"email" text NOT NULL,
	"account" text NOT NULL,
	"pay_terms" text NOT NULL,
	"trade_ppm" integer NOT NULL,
	"return_days" integer,
	"return_habit" text NOT NULL,
	"match_habit" text NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "seller_entries_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "seller_entries_once" UNIQUE("studio_id","seller_id")
);
--> statement-breakpoint
CREATE TABLE "stocks" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"quantity" numeric(9, 3) NOT NULL,
	"unit" text NOT NULL,
	"lies" text NOT NULL,
	"came_from" text NOT NULL,
	"width_mm" double precision,
	"depth_mm" double precision,
	"height_mm" double precision,
	"lent_to" text NOT NULL,
	"lent_on" date,
	"back_on" date,
	"note" text NOT NULL,
	CONSTRAINT "stocks_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "seller_entries" ADD CONSTRAINT "seller_entries_seller" FOREIGN KEY ("studio_id","seller_id") REFERENCES "public"."sellers"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seller_entries" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "seller_entries" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_studio ON "seller_entries" USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
ALTER TABLE "stocks" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "stocks" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_studio ON "stocks" USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "seller_entries", "stocks" TO bonitas_app;