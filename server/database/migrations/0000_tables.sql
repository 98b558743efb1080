CREATE TABLE "acceptances" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"remark_key" text NOT NULL,
	"fingerprint" text NOT NULL,
	"reason" text NOT NULL,
	"accepted_on" date NOT NULL,
	CONSTRAINT "acceptances_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "agreement_lines" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"agreement_id" uuid NOT NULL,
	"category_id" uuid NOT NULL,
	"amount_minor" bigint NOT NULL,
	CONSTRAINT "agreement_lines_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "agreement_lines_once" UNIQUE("studio_id","makeover_id","agreement_id","category_id"),
	CONSTRAINT "agreement_lines_amount" CHECK ("agreement_lines"."amount_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "agreements" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"number" integer NOT NULL,
	"contingency_minor" bigint NOT NULL,
	"signed_by_id" uuid,
	"signed_on" date,
	"reason" text NOT NULL,
	CONSTRAINT "agreements_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "agreements_number_once" UNIQUE("studio_id","makeover_id","number"),
	CONSTRAINT "agreements_sums" CHECK ("agreements"."contingency_minor" >= 0 and "agreements"."number" >= 1 and ("agreements"."signed_on" is null) = ("agreements"."signed_by_id" is null))
);
--> statement-breakpoint
CREATE TABLE "candidates" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"seller_id" uuid NOT NULL,
	"name" text NOT NULL,
	"price_minor" bigint NOT NULL,
	"pack_size" numeric(9, 3) NOT NULL,
	"discount_ppm" integer NOT NULL,
	"delivery_minor" bigint NOT NULL,
	"tax_ppm" integer NOT NULL,
	"tax_included" boolean NOT NULL,
	"delivery_taxed" boolean NOT NULL,
	"lead_days" integer NOT NULL,
	"return_days" integer,
	"lab_l" double precision,
	"lab_a" double precision,
	"lab_b" double precision,
	CONSTRAINT "candidates_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "candidates_of_piece" UNIQUE("studio_id","makeover_id","piece_id","id"),
	CONSTRAINT "candidates_terms" CHECK (price_minor >= 0 and delivery_minor >= 0 and pack_size > 0 and discount_ppm between 0 and 1000000 and tax_ppm between 0 and 1000000 and lead_days >= 0)
);
--> statement-breakpoint
CREATE TABLE "categories" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	"place" integer NOT NULL,
	CONSTRAINT "categories_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "changed_documents" (
	"studio_id" uuid NOT NULL,
	"document_id" uuid NOT NULL,
	"rev" integer NOT NULL,
	"change_id" uuid NOT NULL,
	CONSTRAINT "changed_documents_studio_id_document_id_rev_pk" PRIMARY KEY("studio_id","document_id","rev")
);
--> statement-breakpoint
CREATE TABLE "changed_rows" (
	"studio_id" uuid NOT NULL,
	"change_id" uuid NOT NULL,
	"place" integer NOT NULL,
	"kind" text NOT NULL,
	"row_id" uuid NOT NULL,
	"operation" text NOT NULL,
	"before" jsonb,
	"after" jsonb,
	CONSTRAINT "changed_rows_studio_id_change_id_place_pk" PRIMARY KEY("studio_id","change_id","place")
);
--> statement-breakpoint
CREATE TABLE "changes" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"made_at" timestamp with time zone DEFAULT now() NOT NULL,
	"sentence" text NOT NULL,
	"digest" text NOT NULL,
	CONSTRAINT "changes_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "clients" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "clients_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "deliveries" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"purchase_id" uuid NOT NULL,
	"packs" integer NOT NULL,
	"received_on" date NOT NULL,
	CONSTRAINT "deliveries_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "deliveries_packs" CHECK ("deliveries"."packs" > 0)
);
--> statement-breakpoint
CREATE TABLE "documents" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"rev" integer NOT NULL,
	CONSTRAINT "documents_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "documents_rev" CHECK ("documents"."rev" >= 0)
);
--> statement-breakpoint
CREATE TABLE "finishes" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"name" text NOT NULL,
	"role" text NOT NULL,
	"family" text NOT NULL,
	"sheen" text NOT NULL,
	"lab_l" double precision NOT NULL,
	"lab_a" double precision NOT NULL,
	"lab_b" double precision NOT NULL,
	"colour_source" text NOT NULL,
	"used_for" text NOT NULL,
	"visible_m2" double precision,
	CONSTRAINT "finishes_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "finishes_lab" CHECK ("finishes"."lab_l" between 0 and 100 and "finishes"."lab_a" between -128 and 128 and "finishes"."lab_b" between -128 and 128)
);
--> statement-breakpoint
CREATE TABLE "makeovers" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	"currency" text NOT NULL,
	"units" text NOT NULL,
	"install_on" date,
	CONSTRAINT "makeovers_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "makeovers_is_itself" CHECK ("makeovers"."makeover_id" = "makeovers"."id")
);
--> statement-breakpoint
CREATE TABLE "needs" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"zone_id" uuid,
	"name" text NOT NULL,
	"importance" text NOT NULL,
	CONSTRAINT "needs_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "payments" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"purchase_id" uuid NOT NULL,
	"direction" text NOT NULL,
	"amount_minor" bigint NOT NULL,
	"paid_on" date NOT NULL,
	"tender" text NOT NULL,
	"reverses_id" uuid,
	CONSTRAINT "payments_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "payments_reversed_once" UNIQUE("studio_id","makeover_id","reverses_id"),
	CONSTRAINT "payments_amount" CHECK ("payments"."amount_minor" > 0 and "payments"."direction" in ('out', 'back'))
);
--> statement-breakpoint
CREATE TABLE "people" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"password_hash" text NOT NULL,
	CONSTRAINT "people_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "people_email_once" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "pieces" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"zone_id" uuid,
	"need_id" uuid,
	"category_id" uuid NOT NULL,
	"name" text NOT NULL,
	"quantity" numeric(9, 3) NOT NULL,
	"unit" text NOT NULL,
	"allowance_minor" bigint NOT NULL,
	"chosen_id" uuid,
	"chosen_reason" text NOT NULL,
	CONSTRAINT "pieces_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "pieces_amounts" CHECK ("pieces"."quantity" > 0 and "pieces"."allowance_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "purchases" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"piece_id" uuid NOT NULL,
	"candidate_id" uuid NOT NULL,
	"packs" integer NOT NULL,
	"ordered_on" date NOT NULL,
	"reference" text NOT NULL,
	"price_minor" bigint NOT NULL,
	"pack_size" numeric(9, 3) NOT NULL,
	"discount_ppm" integer NOT NULL,
	"delivery_minor" bigint NOT NULL,
	"tax_ppm" integer NOT NULL,
	"tax_included" boolean NOT NULL,
	"delivery_taxed" boolean NOT NULL,
	"lead_days" integer NOT NULL,
	"return_days" integer,
	CONSTRAINT "purchases_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "purchases_terms" CHECK (price_minor >= 0 and delivery_minor >= 0 and pack_size > 0 and discount_ppm between 0 and 1000000 and tax_ppm between 0 and 1000000 and lead_days >= 0),
	CONSTRAINT "purchases_packs" CHECK ("purchases"."packs" > 0)
);
--> statement-breakpoint
CREATE TABLE "returns" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"purchase_id" uuid NOT NULL,
	"packs" integer NOT NULL,
	"sent_on" date NOT NULL,
	"reason" text NOT NULL,
	"credit_minor" bigint NOT NULL,
	"accepted_on" date,
	"wanted_again" boolean NOT NULL,
	CONSTRAINT "returns_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id"),
	CONSTRAINT "returns_amounts" CHECK ("returns"."packs" > 0 and "returns"."credit_minor" >= 0)
);
--> statement-breakpoint
CREATE TABLE "rooms" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "rooms_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
CREATE TABLE "sellers" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "sellers_studio_id_id_pk" PRIMARY KEY("studio_id","id")
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"studio_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "studios" (
	"studio_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"name" text NOT NULL,
	"time_zone" text NOT NULL,
	CONSTRAINT "studios_studio_id_id_pk" PRIMARY KEY("studio_id","id"),
	CONSTRAINT "studios_id_once" UNIQUE("id"),
	CONSTRAINT "studios_is_itself" CHECK ("studios"."studio_id" = "studios"."id")
);
--> statement-breakpoint
CREATE TABLE "summaries" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"reckoned_on" date NOT NULL,
	"summary" jsonb NOT NULL,
	CONSTRAINT "summaries_studio_id_makeover_id_pk" PRIMARY KEY("studio_id","makeover_id")
);
--> statement-breakpoint
CREATE TABLE "zones" (
	"studio_id" uuid NOT NULL,
	"makeover_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"version" uuid NOT NULL,
	"room_id" uuid NOT NULL,
	"name" text NOT NULL,
	CONSTRAINT "zones_studio_id_makeover_id_id_pk" PRIMARY KEY("studio_id","makeover_id","id")
);
--> statement-breakpoint
ALTER TABLE "agreement_lines" ADD CONSTRAINT "agreement_lines_agreement" FOREIGN KEY ("studio_id","makeover_id","agreement_id") REFERENCES "public"."agreements"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreement_lines" ADD CONSTRAINT "agreement_lines_category" FOREIGN KEY ("studio_id","makeover_id","category_id") REFERENCES "public"."categories"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "agreements" ADD CONSTRAINT "agreements_signed_by" FOREIGN KEY ("studio_id","makeover_id","signed_by_id") REFERENCES "public"."clients"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "candidates" ADD CONSTRAINT "candidates_piece" FOREIGN KEY ("studio_id","makeover_id","piece_id") REFERENCES "public"."pieces"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "candidates" ADD CONSTRAINT "candidates_seller" FOREIGN KEY ("studio_id","seller_id") REFERENCES "public"."sellers"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changed_documents" ADD CONSTRAINT "changed_documents_change" FOREIGN KEY ("studio_id","change_id") REFERENCES "public"."changes"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changed_documents" ADD CONSTRAINT "changed_documents_document" FOREIGN KEY ("studio_id","document_id") REFERENCES "public"."documents"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "changed_rows" ADD CONSTRAINT "changed_rows_change" FOREIGN KEY ("studio_id","change_id") REFERENCES "public"."changes"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "deliveries" ADD CONSTRAINT "deliveries_purchase" FOREIGN KEY ("studio_id","makeover_id","purchase_id") REFERENCES "public"."purchases"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finishes" ADD CONSTRAINT "finishes_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "makeovers" ADD CONSTRAINT "makeovers_document" FOREIGN KEY ("studio_id","id") REFERENCES "public"."documents"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "needs" ADD CONSTRAINT "needs_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "needs" ADD CONSTRAINT "needs_zone" FOREIGN KEY ("studio_id","makeover_id","zone_id") REFERENCES "public"."zones"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payments" ADD CONSTRAINT "payments_purchase" FOREIGN KEY ("studio_id","makeover_id","purchase_id") REFERENCES "public"."purchases"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "payments" ADD CONSTRAINT "payments_reverses" FOREIGN KEY ("studio_id","makeover_id","reverses_id") REFERENCES "public"."payments"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "people" ADD CONSTRAINT "people_studio" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pieces" ADD CONSTRAINT "pieces_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pieces" ADD CONSTRAINT "pieces_zone" FOREIGN KEY ("studio_id","makeover_id","zone_id") REFERENCES "public"."zones"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pieces" ADD CONSTRAINT "pieces_need" FOREIGN KEY ("studio_id","makeover_id","need_id") REFERENCES "public"."needs"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pieces" ADD CONSTRAINT "pieces_category" FOREIGN KEY ("studio_id","makeover_id","category_id") REFERENCES "public"."categories"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "purchases" ADD CONSTRAINT "purchases_candidate" FOREIGN KEY ("studio_id","makeover_id","piece_id","candidate_id") REFERENCES "public"."candidates"("studio_id","makeover_id","piece_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "returns" ADD CONSTRAINT "returns_purchase" FOREIGN KEY ("studio_id","makeover_id","purchase_id") REFERENCES "public"."purchases"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_person" FOREIGN KEY ("studio_id","person_id") REFERENCES "public"."people"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "summaries" ADD CONSTRAINT "summaries_document" FOREIGN KEY ("studio_id","makeover_id") REFERENCES "public"."documents"("studio_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "zones" ADD CONSTRAINT "zones_room" FOREIGN KEY ("studio_id","makeover_id","room_id") REFERENCES "public"."rooms"("studio_id","makeover_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "changed_documents_once" ON "changed_documents" USING btree ("studio_id","change_id","document_id");--> statement-breakpoint
CREATE INDEX "changed_rows_of_row" ON "changed_rows" USING btree ("studio_id","row_id");