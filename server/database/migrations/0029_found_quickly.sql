CREATE INDEX "people_email" ON "people" USING btree ("email");--> statement-breakpoint
CREATE INDEX "people_id" ON "people" USING btree ("id");--> statement-breakpoint
CREATE INDEX "sessions_of_person" ON "sessions" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "sessions_expire" ON "sessions" USING btree ("expires_at");--> statement-breakpoint
CREATE INDEX "tickets_email" ON "tickets" USING btree ("email");--> statement-breakpoint
CREATE INDEX "documents_id" ON "documents" USING btree ("id");--> statement-breakpoint
CREATE INDEX "links_makeover" ON "links" USING btree ("makeover_id");