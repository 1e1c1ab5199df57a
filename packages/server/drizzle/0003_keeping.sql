CREATE TABLE "job_summaries" (
	"job" text PRIMARY KEY NOT NULL,
	"head" integer NOT NULL,
	"version" integer NOT NULL,
	"body" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "yard" (
	"key" text PRIMARY KEY NOT NULL,
	"value" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "dossiers" ADD COLUMN "published" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "drafts" ADD COLUMN "revision" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "drafts" ADD COLUMN "saved_by" text;--> statement-breakpoint
ALTER TABLE "entries" ADD COLUMN "sender" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "archived_at" text;--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "deleted_at" text;--> statement-breakpoint
ALTER TABLE "devices" ADD COLUMN "person" text;--> statement-breakpoint
ALTER TABLE "job_summaries" ADD CONSTRAINT "job_summaries_job_jobs_id_fk" FOREIGN KEY ("job") REFERENCES "public"."jobs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
-- Before, any document sent along with a question was stored as if published: of several under one version the first stays so.
UPDATE "dossiers" SET "published" = false WHERE "hash" NOT IN (SELECT DISTINCT ON ("kind", "id", "version") "hash" FROM "dossiers" ORDER BY "kind", "id", "version", "stored_at", "hash");--> statement-breakpoint
CREATE UNIQUE INDEX "dossiers_published" ON "dossiers" USING btree ("kind","id","version") WHERE "dossiers"."published";