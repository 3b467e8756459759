CREATE TABLE `portfolio_opens` (
	`id` uuid NOT NULL,
	`portfolio_id` uuid NOT NULL,
	`reader` varchar(80) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `portfolio_opens_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `portfolios` (
	`id` uuid NOT NULL,
	`apprentice_id` uuid NOT NULL,
	`title` varchar(80) NOT NULL,
	`shown` json NOT NULL,
	`secret_hash` varchar(64) NOT NULL,
	`made_at` datetime(3) NOT NULL,
	`ends_on` date NOT NULL,
	`taken_back_at` datetime(3),
	CONSTRAINT `portfolios_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `portfolio_opens` ADD CONSTRAINT `portfolio_opens_portfolio_id_portfolios_id_fk` FOREIGN KEY (`portfolio_id`) REFERENCES `portfolios`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `portfolios` ADD CONSTRAINT `portfolios_apprentice_id_people_id_fk` FOREIGN KEY (`apprentice_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `portfolio_opens_portfolio` ON `portfolio_opens` (`portfolio_id`);--> statement-breakpoint
CREATE INDEX `portfolios_apprentice` ON `portfolios` (`apprentice_id`);