CREATE TABLE "drafts" (
	"id" text PRIMARY KEY NOT NULL,
	"document" jsonb NOT NULL,
	"saved_at" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "errata" (
	"id" text PRIMARY KEY NOT NULL,
	"kit" text NOT NULL,
	"machine" text NOT NULL,
	"kit_end" text NOT NULL,
	"says" text NOT NULL,
	"is_there" text NOT NULL,
	"by" text NOT NULL,
	"at" text NOT NULL
);
