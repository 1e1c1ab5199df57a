CREATE TABLE "vehicle_entries" (
	"vehicle" text NOT NULL,
	"seq" integer NOT NULL,
	"received_at" text NOT NULL,
	"body" jsonb NOT NULL,
	CONSTRAINT "vehicle_entries_vehicle_seq_pk" PRIMARY KEY("vehicle","seq")
);
--> statement-breakpoint
ALTER TABLE "jobs" ADD COLUMN "more_kits" jsonb DEFAULT '[]'::jsonb NOT NULL;