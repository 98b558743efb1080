ALTER TABLE "payments" DROP COLUMN "purchase_id";--> statement-breakpoint
ALTER TABLE "pieces" DROP COLUMN "need_id";--> statement-breakpoint
ALTER TABLE "purchases" DROP COLUMN "ordered_on";--> statement-breakpoint
ALTER TABLE "purchases" DROP COLUMN "reference";