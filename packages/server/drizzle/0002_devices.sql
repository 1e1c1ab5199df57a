CREATE TABLE "devices" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"token_hash" text NOT NULL,
	"paired_at" text NOT NULL,
	"expires_at" text NOT NULL,
	"seen_at" text NOT NULL,
	"revoked_at" text,
	CONSTRAINT "devices_token_hash_unique" UNIQUE("token_hash")
);
