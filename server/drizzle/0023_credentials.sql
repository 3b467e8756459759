CREATE TABLE `credentials` (
	`finding_id` uuid NOT NULL,
	`code` varchar(16) NOT NULL,
	`public_key` varchar(64) NOT NULL,
	`place` int NOT NULL,
	`document` json NOT NULL,
	`issued_at` datetime(3) NOT NULL,
	CONSTRAINT `credentials_finding_id` PRIMARY KEY(`finding_id`),
	CONSTRAINT `credentials_place_unique` UNIQUE(`place`)
);
--> statement-breakpoint
CREATE TABLE `issuer_keys` (
	`public_key` varchar(64) NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`made_by` uuid,
	`ended_at` datetime(3),
	`ended_by` uuid,
	`reason` text,
	`compromised_since` datetime(3),
	CONSTRAINT `issuer_keys_public_key` PRIMARY KEY(`public_key`)
);
--> statement-breakpoint
CREATE TABLE `revocations` (
	`finding_id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`by` uuid NOT NULL,
	`kind` varchar(20) NOT NULL,
	`reason` text NOT NULL,
	CONSTRAINT `revocations_finding_id` PRIMARY KEY(`finding_id`)
);
--> statement-breakpoint
ALTER TABLE `credentials` ADD CONSTRAINT `credentials_finding_id_findings_id_fk` FOREIGN KEY (`finding_id`) REFERENCES `findings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `credentials` ADD CONSTRAINT `credentials_public_key_issuer_keys_public_key_fk` FOREIGN KEY (`public_key`) REFERENCES `issuer_keys`(`public_key`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `revocations` ADD CONSTRAINT `revocations_finding_id_findings_id_fk` FOREIGN KEY (`finding_id`) REFERENCES `findings`(`id`) ON DELETE no action ON UPDATE no action;