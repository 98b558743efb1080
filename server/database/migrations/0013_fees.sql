CREATE TABLE "fees" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"category_id" uuid NOT NULL,
	"name" text NOT NULL,
	"way" text NOT NULL,
	"amount_minor" bigint NOT NULL,
	"rate_ppm" integer NOT NULL,
	"base" text NOT NULL,
	"expected_hours" double precision NOT NULL,
	"tax_ppm" integer NOT NULL,
	CONSTRAINT "fees_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "receipts" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"stage_id" uuid,
	"direction" text NOT NULL,
	"amount_minor" bigint NOT NULL,
	"received_on" date NOT NULL,
	"tender" text NOT NULL,
	"reverses_id" uuid,
	"note" text NOT NULL,
	CONSTRAINT "receipts_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "stages" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"amount_minor" bigint NOT NULL,
	"asked_on" date NOT NULL,
	"due_on" date,
	CONSTRAINT "stages_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "stints" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"fee_id" uuid NOT NULL,
	"worked_on" date NOT NULL,
	"minutes" integer NOT NULL,
	"what" text NOT NULL,
	CONSTRAINT "stints_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "taken_colours" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"attachment_id" uuid NOT NULL,
	"share_ppm" integer NOT NULL,
	"lab_l" double precision NOT NULL,
	"lab_a" double precision NOT NULL,
	"lab_b" double precision NOT NULL,
	CONSTRAINT "taken_colours_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "templates" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	"holds" text NOT NULL,
	CONSTRAINT "templates_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
ALTER TABLE "fees" ADD CONSTRAINT "fees_category" FOREIGN KEY ("studio_id","makeover_id","category_id") REFERENCES "public"."categories"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "receipts" ADD CONSTRAINT "receipts_stage" FOREIGN KEY ("studio_id","makeover_id","stage_id") REFERENCES "public"."stages"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "receipts" ADD CONSTRAINT "receipts_reverses" FOREIGN KEY ("studio_id","makeover_id","reverses_id") REFERENCES "public"."receipts"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stints" ADD CONSTRAINT "stints_fee" FOREIGN KEY ("studio_id","makeover_id","fee_id") REFERENCES "public"."fees"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "taken_colours" ADD CONSTRAINT "taken_colours_attachment" FOREIGN KEY ("studio_id","makeover_id","attachment_id") REFERENCES "public"."attachments"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
DO $$
DECLARE name text;
BEGIN
  FOREACH name IN ARRAY ARRAY['fees', 'stints', 'stages', 'receipts', 'taken_colours', 'templates']
  LOOP
    EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', name);
    EXECUTE format('ALTER TABLE %I FORCE ROW LEVEL SECURITY', name);
    EXECUTE format('CREATE POLICY own_studio ON %I USING (studio_id = bonitas_studio()) WITH CHECK (studio_id = bonitas_studio())', name);
  END LOOP;
END $$;
--> statement-breakpoint
GRANT SELECT, INSERT, UPDATE, DELETE ON "fees", "stints", "stages", "receipts", "taken_colours", "templates" TO bonitas_app;
