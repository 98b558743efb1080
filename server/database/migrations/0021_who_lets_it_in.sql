CREATE TABLE "links" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"opens" text NOT NULL,
	"for_whom" text,
	"token_hash" text NOT NULL,
	"word_hash" text,
	"made_at" timestamp with time zone NOT NULL,
	"made_by" uuid NOT NULL,
	"expires_at" timestamp with time zone,
	"revoked_at" timestamp with time zone,
	"last_used_at" timestamp with time zone,
	CONSTRAINT "links_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "arrivals" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"purchase_id" uuid NOT NULL,
	"packs" integer NOT NULL,
	"state" text NOT NULL,
	"comes_on" date NOT NULL,
	"earliest_minute" integer,
	"latest_minute" integer,
	"lets_in" text NOT NULL,
	"waits_in_id" uuid,
	"waits_at" text NOT NULL,
	"answer" text NOT NULL,
	"said_on" date,
	"is_simulated" boolean NOT NULL,
	CONSTRAINT "arrivals_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "deferrals" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid,
	"room_id" uuid,
	"name" text NOT NULL,
	"waits_for" text NOT NULL,
	"cost_minor" bigint NOT NULL,
	"wanted_on" date,
	CONSTRAINT "deferrals_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "deferrals_once" UNIQUE("studio_id","makeover_id","piece_id")
);
--> statement-breakpoint
CREATE TABLE "snags" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid,
	"piece_id" uuid,
	"says" text NOT NULL,
	"trade" text NOT NULL,
	"by_on" date,
	"done_on" date,
	"note" text NOT NULL,
	CONSTRAINT "snags_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
ALTER TABLE "attachments" ADD COLUMN "task_id" uuid;--> statement-breakpoint
ALTER TABLE "attachments" ADD COLUMN "snag_id" uuid;--> statement-breakpoint
ALTER TABLE "pieces" ADD COLUMN "wanted_on" date;--> statement-breakpoint
ALTER TABLE "tasks" ADD COLUMN "parts" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "tasks" ALTER COLUMN "parts" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "tasks" ADD COLUMN "dry_weather" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "tasks" ALTER COLUMN "dry_weather" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "tasks" ADD COLUMN "piece_id" uuid;--> statement-breakpoint
ALTER TABLE "tasks" ADD COLUMN "is_away" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "tasks" ALTER COLUMN "is_away" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "links" ADD CONSTRAINT "links_document" FOREIGN KEY ("studio_id","makeover_id") REFERENCES "public"."documents"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "arrivals" ADD CONSTRAINT "arrivals_purchase" FOREIGN KEY ("studio_id","makeover_id","purchase_id") REFERENCES "public"."purchases"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "arrivals" ADD CONSTRAINT "arrivals_waits_in" FOREIGN KEY ("studio_id","makeover_id","waits_in_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deferrals" ADD CONSTRAINT "deferrals_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deferrals" ADD CONSTRAINT "deferrals_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "snags" ADD CONSTRAINT "snags_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "snags" ADD CONSTRAINT "snags_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "links_token" ON "links" USING btree ("token_hash");--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_task" FOREIGN KEY ("studio_id","makeover_id","task_id") REFERENCES "public"."tasks"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_snag" FOREIGN KEY ("studio_id","makeover_id","snag_id") REFERENCES "public"."snags"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tasks" ADD CONSTRAINT "tasks_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['arrivals', 'deferrals', 'snags']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "arrivals", "deferrals", "snags" TO bonitas_app;--> statement-breakpoint
-- A link is found by its token alone, before anybody knows whose it is; everything else of it is its studio's.
ALTER TABLE "links" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "links" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE POLICY own_link ON "links" USING (studio_id = bonitas_studio() OR token_hash = current_setting('bonitas.link', true)) WITH CHECK (studio_id = bonitas_studio());--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "links" TO bonitas_app;
