CREATE TABLE "dossiers" (
	"hash" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"id" text NOT NULL,
	"version" integer NOT NULL,
	"document" jsonb NOT NULL,
	"stored_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "entries" (
	"job" text NOT NULL,
	"seq" integer NOT NULL,
	"id" text NOT NULL,
	"v" integer NOT NULL,
	"received_at" text NOT NULL,
	"body" jsonb NOT NULL,
	CONSTRAINT "entries_job_seq_pk" PRIMARY KEY("job","seq")
);
--> statement-breakpoint
CREATE TABLE "jobs" (
	"id" text PRIMARY KEY NOT NULL,
	"origin" text NOT NULL,
	"title" text NOT NULL,
	"machine_hash" text NOT NULL,
	"machine_variant" text,
	"kit_hash" text NOT NULL,
	"created_at" text NOT NULL,
	"provenance" jsonb NOT NULL,
	CONSTRAINT "jobs_origin_unique" UNIQUE("origin")
);
--> statement-breakpoint
ALTER TABLE "entries" ADD CONSTRAINT "entries_job_jobs_id_fk" FOREIGN KEY ("job") REFERENCES "public"."jobs"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_machine_hash_dossiers_hash_fk" FOREIGN KEY ("machine_hash") REFERENCES "public"."dossiers"("hash") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "jobs" ADD CONSTRAINT "jobs_kit_hash_dossiers_hash_fk" FOREIGN KEY ("kit_hash") REFERENCES "public"."dossiers"("hash") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "entries_job_id" ON "entries" USING btree ("job","id");