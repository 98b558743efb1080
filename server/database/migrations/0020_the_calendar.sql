CREATE TABLE "absences" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"hand_id" uuid,
	"name" text NOT NULL,
	"from_on" date NOT NULL,
	"until_on" date NOT NULL,
	CONSTRAINT "absences_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "hands" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	"does" text NOT NULL,
	"days_worked" text NOT NULL,
	"day_minor" bigint,
	"note" text NOT NULL,
	CONSTRAINT "hands_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "task_links" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"task_key" text NOT NULL,
	"after_key" text NOT NULL,
	"wait_days" double precision NOT NULL,
	CONSTRAINT "task_links_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "task_links_once" UNIQUE("studio_id","makeover_id","task_key","after_key")
);
--> statement-breakpoint
CREATE TABLE "tasks" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"key" text NOT NULL,
	"name" text NOT NULL,
	"room_id" uuid,
	"trade" text NOT NULL,
	"least_days" double precision,
	"likely_days" double precision,
	"most_days" double precision,
	"people" integer NOT NULL,
	"pinned_on" date,
	"done_on" date,
	"left_out" boolean NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "tasks_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "lead_least_days" integer;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "lead_most_days" integer;--> statement-breakpoint
ALTER TABLE "candidates" ADD COLUMN "lead_working" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "candidates" ALTER COLUMN "lead_working" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "fixtures" ADD COLUMN "out_of_sight" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "fixtures" ALTER COLUMN "out_of_sight" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "absences" ADD CONSTRAINT "absences_hand" FOREIGN KEY ("studio_id","makeover_id","hand_id") REFERENCES "public"."hands"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tasks" ADD CONSTRAINT "tasks_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['absences', 'hands', 'task_links', 'tasks']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "absences", "hands", "task_links", "tasks" TO bonitas_app;
