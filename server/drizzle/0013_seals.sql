CREATE TABLE `audit_checks` (
	`seq` int AUTO_INCREMENT NOT NULL,
	`at` datetime(3) NOT NULL,
	`whole` boolean NOT NULL,
	`entries` int NOT NULL,
	`head` varchar(64) NOT NULL,
	`broken_at` int,
	`changed` json NOT NULL,
	CONSTRAINT `audit_checks_seq` PRIMARY KEY(`seq`)
);
--> statement-breakpoint
CREATE TABLE `audit_seals` (
	`seq` int NOT NULL,
	`name` varchar(120) NOT NULL,
	`parts` json,
	CONSTRAINT `audit_seals_seq_name_pk` PRIMARY KEY(`seq`,`name`)
);
