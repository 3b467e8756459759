// Made by npm run wording from wording/languages/en-GB; not written by hand.
import type { Said } from '../src/said'

/** Every message with the values it is said with. */
export interface Messages {
  'apprentice.readyByDate': null
  'apprentice.apprentices': null
  'apprentice.noApprenticesYet': null
  'apprentice.theyAppearHereOnceLead': null
  'apprentice.cohortGlance': null
  'apprentice.spreadsheetTables': null
  'apprentice.trimsTableShowsYourColleagues': null
  'apprentice.notPractised': null
  'apprentice.weeks': null
  'apprentice.weeksWithoutPractice': null
  'apprentice.weeksWeeksMustWholeNumber': { weeks: Said }
  'apprentice.nN2': { n: Said; n2: Said }
  'apprentice.nameCohort': { name: Said }
  'apprentice.noWorkYet': null
  'apprentice.givenNameFamilyNameCohortCohortWeek': { givenName: Said; familyName: Said; cohort: Said; week: Said }
  'apprentice.apprentice': null
  'apprentice.notChartFiguresFiguresSelfReported': { figures: Said; selfReported: Said }
  'apprentice.liftHold': null
  'apprentice.practiseNext': null
  'apprentice.nothingLeftPractiseEveryTechnique': null
  'apprentice.todaysTable': null
  'apprentice.liftHoldName': { name: Said }
  'apprentice.reason': null
  'apprentice.practiceFigures': null
  'apprentice.practiceFigures2': null
  'apprentice.nothingLoggedYet': null
  'apprentice.nTimesTotalMinutes': { n: Said; total: Said }
  'apprentice.nLoggedSeparatelyDoesNot': { n: Said }
  'apprentice.minutesMinSide': { minutes: Said; side: Said }
  'apprentice.removeTechniqueMinutesMinutes': { technique: Said; minutes: Said }
  'apprentice.remove': null
  'apprentice.showFewer': null
  'apprentice.showAllN': { n: Said }
  'apprentice.technique': null
  'apprentice.chooseOne': null
  'apprentice.side': null
  'apprentice.minutes': null
  'apprentice.note': null
  'apprentice.logFigurePractice': null
  'apprentice.helpEachNAttempts': { n: Said }
  'apprentice.n1stFilledClean': null
  'apprentice.nTh': { n: Said }
  'apprentice.onePrompt': null
  'apprentice.talkedThrough': null
  'apprentice.handsGuided': null
  'apprentice.n1st': null
  'apprentice.attemptsSoFarLastLastDate': { attempts: Said; lastDate: Said }
  'apprentice.lastTh': { last: Said }
  'apprentice.limitReadyAssess': { limit: Said }
  'apprentice.learningChartScoreLimitAfter': { score: Said; limit: Said; attempts: Said }
  'apprentice.questions': null
  'apprentice.askName': { name: Said }
  'apprentice.answerMustInclude': null
  'apprentice.whatMissing': null
  'apprentice.answered': null
  'apprentice.notYet': null
  'apprentice.answered2': null
  'apprentice.notYet2': null
  'apprentice.notAskedYet': null
  'apprentice.rightDateAsked': { right: Said; date: Said; by: Said }
  'apprentice.firstTry': null
  'apprentice.ready': null
  'apprentice.competent': null
  'apprentice.wholeRecord': null
  'apprentice.logbookPdf': null
  'apprentice.fileJson': null
  'apprentice.showsYourColleaguesMarksIf': null
  'apprentice.charts': null
  'apprentice.sinceReachingReady': null
  'apprentice.readyReached': null
  'apprentice.help': null
  'apprentice.minutesAgainstPlanOverN': { n: Said }
  'apprentice.planned': null
  'apprentice.nSinceThen': { n: Said }
  'apprentice.alarmAtAlarm': { alarmAt: Said }
  'apprentice.monitoringChartXAlarmAtAfter': { x: Said; alarmAt: Said; n: Said }
  'apprentice.progressEachCertificate': null
  'apprentice.less': null
  'apprentice.why': null
  'apprentice.whyNot': null
  'apprentice.openFinding': null
  'apprentice.draftRenewal': null
  'apprentice.draftFinding': null
  'apprentice.expiredDate': { date: Said }
  'apprentice.validUntilDate': { date: Said }
  'apprentice.oneNMet': { one: Said; n: Said }
  'apprentice.onDogsOfCoats': { dogs: number; coats: Said }
  'apprentice.alone': null
  'apprentice.shown': null
  'apprentice.familyHandling': null
  'apprentice.familyClipping': null
  'apprentice.familyScissoring': null
  'apprentice.familyStripping': null
  'apprentice.familyFinishing': null
  'apprentice.nameScoreLimit': { name: Said; score: Said; limit: Said }
  'bundle.readMe': { number: Said }
  'bundle.which': null
  'bundle.cannotOpen': { file: Said }
  'bundle.noZip': { file: Said }
  'bundle.tooLarge': { file: Said; megabytes: Said }
  'bundle.noManifest': { file: Said }
  'bundle.misshapen': { file: Said; what: string }
  'bundle.certificate': { number: Said; school: Said; holder: Said; claim: Said }
  'bundle.madeOn': { date: Said }
  'bundle.key': { fingerprint: Said }
  'bundle.revoked': { date: Said }
  'bundle.keyStolen': null
  'bundle.asOf': { date: Said }
  'bundle.line': { verdict: string; what: Said }
  'bundle.files': { of: number }
  'bundle.signed': null
  'bundle.trail': { of: number }
  'bundle.heads': { of: number }
  'bundle.contents': { of: number }
  'bundle.pictures': { of: number }
  'bundle.attempts': { of: number }
  'bundle.marks': { of: number }
  'bundle.rules': { of: number }
  'bundle.wrong': { list: Said }
  'bundle.more': { count: Said }
  'bundle.allHolds': null
  'bundle.fails': null
  'calendar.calendar': null
  'calendar.cancelled': null
  'calendar.icsVisit': { dog: Said; trim: Said }
  'calendar.icsVisitMore': { apprentice: Said; table: Said; minutes: number }
  'calendar.icsSessionMore': { minutes: number; aim: string }
  'calendar.session': { dog: Said; how: string; count: number }
  'calendar.due': { dog: Said }
  'calendar.aim': { dog: Said; aim: string }
  'calendar.assessmentDay': null
  'calendar.expires': { apprentice: Said; certificate: Said }
  'calendar.weekOf': { date: Said }
  'calendar.schoolClosed': { name: string }
  'calendar.awayNames': { names: Said }
  'calendar.nothingPlanned': null
  'calendar.paperVisit': { time: string; dog: Said; trim: Said; apprentice: Said; table: Said }
  'calendar.planned': { visits: number; sessions: number; when: string; show: string; date: Said }
  'calendar.overdueCount': { count: number }
  'calendar.movedCount': { count: number }
  'calendar.visitMoved': { dog: Said; date: Said }
  'calendar.moveBack': null
  'calendar.visit': { dog: Said; apprentice: Said }
  'calendar.visitMore': { trim: Said; table: Said }
  'calendar.minutes': { minutes: number }
  'calendar.day': null
  'calendar.week': null
  'calendar.month': null
  'calendar.earlier': null
  'calendar.later': null
  'calendar.today': null
  'calendar.goTo': null
  'calendar.timeOff': null
  'calendar.otherCalendars': null
  'calendar.weekOnPaper': null
  'calendar.overdue': null
  'calendar.noneOverdue': null
  'calendar.dueSince': { days: number }
  'calendar.plansMoved': null
  'calendar.placesMoved': { count: number }
  'calendar.fromTo': { from: Said; to: Said }
  'calendar.isAway': { name: Said }
  'calendar.removeOff': { days: Said }
  'calendar.remove': null
  'calendar.aDog': null
  'calendar.aPerson': null
  'calendar.theSchool': null
  'calendar.whichDog': null
  'calendar.whichPerson': null
  'calendar.choose': null
  'calendar.nameDays': null
  'calendar.springBreak': null
  'calendar.firstDay': null
  'calendar.lastDay': null
  'calendar.saveOff': null
  'calendar.offKept': null
  'calendar.readFile': null
  'calendar.fileTaken': { name: Said; days: number }
  'calendar.schoolOffSays': null
  'calendar.offSays': null
  'calendar.openingHours': null
  'calendar.opensAt': null
  'calendar.closesAt': null
  'calendar.saveOpening': null
  'calendar.openingKept': null
  'calendar.addressReady': null
  'calendar.copy': null
  'calendar.copied': null
  'calendar.addressSays': null
  'calendar.whereRead': null
  'calendar.myPhone': null
  'calendar.makeAddress': null
  'calendar.madeOn': { date: Said }
  'calendar.withdrawn': null
  'calendar.lastRead': { when: Said }
  'calendar.neverRead': null
  'calendar.withdraw': null
  'calendar.saveFile': null
  'calendar.fileSays': null
  'calendar.addTimeOff': null
  'calendar.openDay': { date: Said }
  'certify.readyByDate': null
  'certify.marksNGradingsOverallImpression': { n: Said; pass: Said }
  'certify.clearFail': null
  'certify.passMarkPass': { pass: Said }
  'certify.name': null
  'certify.holder': null
  'certify.trimsCount': null
  'certify.trims': null
  'certify.valid': null
  'certify.months': null
  'certify.months2': null
  'certify.leaveEmptyNoEndDate': null
  'certify.certify': null
  'certify.noOneCertifyYet': null
  'certify.apprenticesAppearHereRulesThey': null
  'certify.whoMayCertified': null
  'certify.certificate': null
  'certify.allDraftsDrafted': { drafted: Said }
  'certify.rulesEvidence': null
  'certify.twoAssessors': null
  'certify.auditTrail': null
  'certify.backups': null
  'certify.met': { of: Said }
  'certify.nNotMet': { n: Said }
  'certify.nNotKnownYet': { n: Said }
  'certify.noFindingYet': null
  'certify.howCertainCharts': null
  'certify.cleanAttemptAdds1Point': { k: Said }
  'certify.points100ApprenticesWhoFaulty': { unacceptable: Said }
  'certify.wouldGetThereLuckWithin': { expectedAttempts: Said; acceptable: Said; power: Said; limit: Said; falseAlarmRisk: Said }
  'certify.acrossNTechniquesNameChance': { n: Said; name: Said }
  'certify.longerApprenticesKeepTryingMore': null
  'certify.ifApprenticeNeededManyLook': null
  'certify.and': null
  'certify.withinNAttempts': { n: Said }
  'certify.shareFaultyAttemptsIfCompetent': null
  'certify.shareFaultyAttemptsIfNot': null
  'certify.attemptsExpected': null
  'certify.acceptedRisk01': null
  'certify.daysWithoutPracticeUntilLapses': null
  'certify.useTheseEveryChart': null
  'certify.discardChanges': null
  'certify.nCouldCertifiedToday': { n: Said }
  'certify.hardestHolds': { hardest: Said }
  'certify.back': null
  'certify.changedWouldChangeFromRules': { changed: Said }
  'certify.met2': { met: Said; of: Said }
  'certify.met3': { met: Said; of: Said }
  'certify.nMore': { n: Said }
  'certify.findingNumberDraftedDraftedBy': { number: Said; draftedBy: Said }
  'certify.finding': null
  'certify.finding2': null
  'certify.claim': null
  'certify.validUntilDateValidUntil': { date: Said; validUntil: Said }
  'certify.noEndDate': null
  'certify.rulesIdVersionVersionRenews': { id: Said; version: Said; renews: string; validUntil: Said }
  'certify.declinedReason': { by: Said; reason: Said }
  'certify.auditTrailDecisionAuditHash': { auditHash: Said }
  'certify.coversPracticeSchoolOnlyDoes': null
  'certify.nameDateMinutesMin': { name: Said; date: Said; minutes: Said }
  'certify.decidingTrimName': { name: Said }
  'certify.noDecidingTrimYetNo': null
  'certify.readDecidingTrim': null
  'certify.twoPeopleSign': null
  'certify.signName': { name: Said }
  'certify.nameCannotSign': { name: Said }
  'certify.signNameWhenMet': { name: Said; whenMet: Said }
  'certify.noteHasNeverWorkedDog': { note: Said }
  'certify.nameRoleMaySignNote': { name: Said; role: Said; note: Said }
  'certify.reasonDeclining': null
  'certify.printFinding': null
  'certify.signFinding': null
  'certify.yoursSecondSignatureCertificateIssued': null
  'certify.yoursFirstSignatureCertificateIssued': null
  'certify.signatureCannotWithdrawn': null
  'certify.sign': null
  'certify.signing': null
  'certify.declineFinding': null
  'certify.why': null
  'certify.decline': null
  'certify.n1RuleMet': null
  'certify.rulesRulesAllMet': { rules: Said }
  'certify.metMet': { met: Said }
  'certify.missingNotMet': { missing: Said }
  'certify.unsureNotKnownYet': { unsure: Said }
  'certify.onceRuleMet': null
  'certify.onceAllNMet': { n: Said }
  'certify.usuallyKeyUnit': { key: Said; unit: Said }
  'certify.betweenSecondAssessorNeededDrafts': null
  'certify.saveTheseMarkingRules': null
  'certify.restoreUsualValues': null
  'certify.saved': null
  'certify.n100': null
  'certify.failsWhenReachesThemNo': null
  'certify.oneAssessorMarksTooHigh': null
  'certify.nothing': null
  'certify.nameKeyMustLowHigh': { name: Said; key: Said; low: Said; high: Said; unit: Said }
  'certify.any': null
  'certify.removeId': { id: Said }
  'certify.addLabel': { label: Said }
  'certify.add': null
  'certify.nameRuleI': { i: Said }
  'certify.remove': null
  'certify.addRule': null
  'certify.choose': null
  'certify.techniquesCompetent': null
  'certify.enoughPracticeEnoughDogs': null
  'certify.questionsAnswered': null
  'certify.trimHasPassed': null
  'certify.trimsOrAboveMark': null
  'certify.dogsCoats': null
  'certify.leftRightMatch': null
  'certify.daysWithoutSafetyEvent': null
  'certify.attemptsWithoutSafetyEvent': null
  'certify.certificatesHeldFirst': null
  'certify.notMet': null
  'certify.notKnownYet': null
  'certify.certificates': null
  'certify.allFindings': null
  'certify.beingChanged': null
  'certify.nameVersionVersionNotYet': { name: Said; version: Said }
  'certify.awardedWhen': null
  'certify.noRulesYetNoOne': null
  'certify.renewedWhen': null
  'certify.everyRuleMustMetAgain': null
  'certify.nameVersionVersion': { name: Said; version: Said }
  'certify.noLongerAwarded': null
  'certify.holderClaim': { claim: Said }
  'certify.trimsCountStandardsIssuedIssued': { standards: Said; issued: number }
  'certify.suppliedPeen': null
  'certify.versionVersion': { version: Said; by: Said }
  'certify.beforeYouUse': null
  'certify.tryCohort': null
  'certify.anotherVersionCameIntoUse': null
  'certify.applyYours': null
  'certify.useFromNow': null
  'certify.tryFirst': null
  'certify.discardChange': null
  'certify.change': null
  'certify.findingsCertificatesKeepVersionThey': null
  'certify.copyYourOwnNamed': null
  'certify.copy': null
  'certify.awardAgain': null
  'certify.stopAwarding': null
  'certify.allTheseCompetent': null
  'certify.techniques': null
  'certify.eachTheseDone': null
  'certify.timesOrMore': null
  'certify.and2': null
  'certify.on': null
  'certify.dogs': null
  'certify.coats': null
  'certify.withinLast': null
  'certify.weeks': null
  'certify.times': null
  'certify.clean': null
  'certify.clean2': null
  'certify.cleanOrNot': null
  'certify.help': null
  'certify.dogs2': null
  'certify.coats2': null
  'certify.sides': null
  'certify.bothSides': null
  'certify.eitherSide': null
  'certify.weeks2': null
  'certify.eachTheseQuestionsAskedAnswered': null
  'certify.questions': null
  'certify.finishedTrimHasPassedGraded': null
  'certify.days': null
  'certify.days2': null
  'certify.finishedTrims': null
  'certify.orMore': null
  'certify.assessorsEachWithinLast': null
  'certify.daysTrimsChangedOwner': null
  'certify.trims2': null
  'certify.mark': null
  'certify.assessors': null
  'certify.ownersWishes': null
  'certify.doNotCount': null
  'certify.countToo': null
  'certify.workDone': null
  'certify.dogsOrMore': null
  'certify.coatsOrMore': null
  'certify.leftRightMeetTheirMeasure': null
  'certify.criteria': null
  'certify.noSafetyEventLast': null
  'certify.attempts': null
  'certify.confirmAttempts': null
  'certify.alreadyHolds': null
  'certify.certificates2': null
  'certify.hasWorkedDogWithinLast': null
  'certify.onePromptMost': null
  'certify.talkedThroughMost': null
  'certify.handsGuidedMost': null
  'certify.anyHelp': null
  'certify.confirmedServer': null
  'certify.added': null
  'certify.sentLetterChooseNewPassword': null
  'certify.givenAnotherRole': null
  'certify.reinstated': null
  'certify.retired': null
  'certify.chosePassword': null
  'certify.metConfirmed': null
  'certify.samePerson': null
  'certify.differentPersonFrom': null
  'certify.formerColleague': null
  'certify.otherIdSaid': { otherId: Said }
  'certify.words': { words: Said; by: Said }
  'certify.recordTableBeforeTrimSigned': null
  'certify.whatTwoAssessorsAgreed': null
  'certify.staffAccount': null
  'certify.rulesCertificateUse': null
  'certify.nothingSignedHasBeenChanged': null
  'certify.entryBrokenAtTrailDoesNot': { brokenAt: Said }
  'certify.oneThingChanged': null
  'certify.nThingsWereChanged': { n: Said }
  'certify.and3': null
  'certify.somethingChangedOutsidePeenX': { x: Said }
  'certify.whatAddedOutsidePeenName': { what: Said; name: Said }
  'certify.whatMissingNameEntrySeq': { what: Said; name: Said; seq: Said }
  'certify.whatHasBeenAlteredName': { what: Said; name: Said; seq: Said }
  'certify.nameNameMustHaveTwo': { name: Said }
  'certify.thereAlreadyCertificateNamePlain': { plain: Said }
  'certify.borderline': null
  'certify.pass': null
  'certify.good': null
  'certify.outstanding': null
  'certify.drafted': null
  'certify.issued': null
  'certify.declined': null
  'certify.fresh': null
  'certify.met4': null
  'certify.alone': null
  'certify.aSignedGrading': null
  'certify.aPhotographOfATrimThatWasSigne': null
  'certify.aDecisionAboutACertificate': null
  'certify.aSignatureUnderACertificate': null
  'certify.aVersionOfATrimThatIsInUse': null
  'certify.something': null
  'certify.revoked': null
  'certify.takeOut': null
  'certify.onPaper': null
  'certify.onPaperWithEvidence': null
  'certify.badgePicture': null
  'certify.signedFile': null
  'certify.evidenceFile': null
  'certify.puttingTogether': null
  'certify.evidenceSays': null
  'certify.takeOutSays': null
  'certify.checkedBy': { number: Said; code: Said }
  'certify.signedWith': { fingerprint: Said }
  'certify.checkPage': null
  'certify.noAddressYet': null
  'certify.revokeCertificate': null
  'certify.revokeTitle': null
  'certify.revokeSays': null
  'certify.revokeKind': null
  'certify.revokeError': null
  'certify.revokeEvidence': null
  'certify.revokeSafety': null
  'certify.revokeRequest': null
  'certify.revokeWhy': null
  'certify.revoke': null
  'certify.revoking': null
  'certify.revokedBySays': { by: Said; date: Said; reason: Said }
  'certify.aCertificateThatWasMade': null
  'certify.aRevocation': null
  'certify.decideAgain': null
  'certify.setAsideTrim': { dog: Said; date: Said; reason: Said }
  'certify.keepIt': null
  'certify.keepTitle': null
  'certify.keepSays': null
  'certify.keepWhy': null
  'certify.keep': null
  'certify.keeping': null
  'certify.needsDecision': null
  'certify.aMarkSetAside': null
  'certify.anAppeal': null
  'certify.aKeptCertificate': null
  'check.title': null
  'check.intro': null
  'check.number': null
  'check.code': null
  'check.check': null
  'check.checking': null
  'check.orFile': null
  'check.dropHere': null
  'check.chooseFile': null
  'check.fileStays': null
  'check.valid': null
  'check.validSays': { school: Said; holder: Said }
  'check.expired': { date: Said }
  'check.expiredSays': { school: Said; holder: Said }
  'check.revoked': { date: Said }
  'check.revokedError': null
  'check.revokedEvidence': null
  'check.revokedSafety': null
  'check.revokedRequest': null
  'check.changed': null
  'check.changedParts': { parts: Said }
  'check.changedSomewhere': null
  'check.notYet': { date: Said }
  'check.notInRecords': null
  'check.notInRecordsSays': null
  'check.foreign': { school: Said }
  'check.foreignSays': { school: Said }
  'check.unreadable': null
  'check.tooLarge': null
  'check.broken': null
  'check.noCredential': null
  'check.unknownWords': { what: Said }
  'check.otherKey': { what: Said }
  'check.holder': null
  'check.certificate': null
  'check.claim': null
  'check.school': null
  'check.issued': null
  'check.validUntil': null
  'check.forGood': null
  'check.signedBy': null
  'check.signer': { name: Said; role: string; date: Said }
  'check.signingKey': null
  'check.partHolder': null
  'check.partClaim': null
  'check.partDates': null
  'check.partIssuer': null
  'check.partRules': null
  'check.partEvidence': null
  'check.partStatus': null
  'check.partProof': null
  'check.partOther': null
  'check.covers': null
  'check.signIn': null
  'check.offlinePage': null
  'check.offlineTitle': null
  'check.offlineIntro': null
  'check.asSigned': { school: Said }
  'check.expiredOffline': { date: Said }
  'check.revocationUnknown': null
  'check.revocationNone': { date: Said }
  'check.revocationRevoked': { date: Said }
  'check.revocationWrong': null
  'check.keyListed': null
  'check.keyStolen': { date: Said }
  'check.keyUnlisted': null
  'check.keysWrong': null
  'check.compareKey': null
  'check.noList': null
  'coat.dateCounts': null
  'coat.occasion': null
  'coat.springShow': null
  'coat.visit': null
  'coat.session': null
  'coat.nextAsks': { asks: Said }
  'coat.daysBetweenVisits': null
  'coat.brushedHome': null
  'coat.save': null
  'coat.daysBetweenVisitsEveryDaysMust': { everyDays: Said; low: Said; high: Said }
  'coat.workBack': null
  'coat.theDate': null
  'coat.never': null
  'coat.backPull': { aim: Said; date: Said; places: Said; more: number; by: Said }
  'coat.backLate': { aim: Said; date: Said; places: Said; more: number }
  'coat.backShort': { aim: Said; date: Said; places: Said; more: number }
  'coat.backRight': { aim: Said; date: Said }
  'coat.noStripping': null
  'coat.setDate': null
  'coat.dateOver': null
  'coat.whatWhen': null
  'coat.nothingToDo': null
  'coat.pullBareBoth': { places: Said }
  'coat.pullHalfBoth': { places: Said }
  'coat.notInBook': null
  'coat.rollBoth': { places: Said }
  'coat.minutesOf': { minutes: Said; canStand: Said }
  'coat.stripBoth': { places: Said }
  'coat.clipBoth': { places: Said }
  'coat.noDayLeft': { places: Said }
  'coat.ifKept': { date: Said }
  'coat.placeByPlace': null
  'coat.place': null
  'coat.what': null
  'coat.lastDay': null
  'coat.wantedMm': null
  'coat.rolledMm': null
  'coat.mm': { mm: Said }
  'coat.orBy': { date: Said }
  'coat.keepRolling': null
  'coat.pullBare': null
  'coat.tooLate': null
  'coat.willBeShort': null
  'coat.neverSoLong': null
  'coat.lateChoice': { how: string; mm: Said; bare: number }
  'coat.howWorked': null
  'coat.howWorkedSays': { weeks: Said; otherWeeks: Said }
  'coat.coatBook': null
  'coat.nameTodayFromCoatBook': { name: Said }
  'coat.namePlacesNewLine': { name: Said }
  'coat.noPlace': null
  'coat.n25MmStripsAlongBorder': null
  'coat.linesBook': null
  'coat.book': null
  'coat.allPlaces': null
  'coat.thesePlacesOnly': null
  'coat.workTableAddedYouWrite': null
  'coat.nothingWrittenYet': null
  'coat.countAgain': null
  'coat.strike': null
  'coat.struckReason': { by: Said; reason: Said }
  'coat.whyStrikeOut': null
  'coat.why': null
  'coat.strikeOut': null
  'coat.newestMostNLinesTouch': { most: Said; n: Said }
  'coat.leftSide': null
  'coat.rightSide': null
  'coat.bothSides': null
  'coat.nothingWritten': null
  'coat.n1Line': null
  'coat.countLines': { count: Said }
  'coat.yourHands': null
  'coat.handsNameSHands': { handsName: Said }
  'coat.handsNotRecorded': null
  'coat.coatOverTime': null
  'coat.ifRolledPlanned': null
  'coat.naturalColour': null
  'coat.ageHair': null
  'coat.result': null
  'coat.putsRightBothSidesStep': { day: Said; standingMm: Said; day2: Said }
  'coat.comparePlans': null
  'coat.mmTouchAnotherPlaceDog': null
  'coat.centreLine': null
  'coat.side': { side: Said }
  'coat.fromKnownGrowthBetweenFound': { found: Said; found2: Said }
  'coat.playForward': null
  'coat.ageColoursOrNaturalColour': null
  'coat.usuallyKeyKey2': { key: Said; key2: Said }
  'coat.saveTheseLimits': null
  'coat.restoreUsualLimits': null
  'coat.savedEveryCoatJudgedThese': null
  'coat.halfRollTakesStandingCoat': null
  'coat.sidesOutStepWhenFurther': null
  'coat.bareWhenMoreThanShows': null
  'coat.tooSoftWhenMoreThan': null
  'coat.pastRollingAfterNoPulling': null
  'coat.nothing': null
  'coat.nameKeyMustKey2Key3': { name: Said; key: Said; key2: Said; key3: Said; key4: Said }
  'coat.coats': null
  'coat.noDogsYet': null
  'coat.coatGetsBookDogsFirst': null
  'coat.nameDrawn': { name: Said }
  'coat.lastWorkedDate': { date: Said }
  'coat.emptyCoatBook': null
  'coat.strippedCoats': null
  'coat.clippedScissoredCoats': null
  'coat.left': null
  'coat.right': null
  'coat.placeDaysDays2DaysBehind': { place: Said; days: Said; days2: Said }
  'coat.nameCoatCoatWithersMmMm': { name: Said; coat: Said; withersMm: Said }
  'coat.coat': null
  'coat.overTime': null
  'coat.nextVisit': null
  'coat.addWhatDone': null
  'coat.where': { where: Said }
  'coat.touchPlacesDog': null
  'coat.howMuchStandingCoatLongest': null
  'coat.cutMm': null
  'coat.widthMm': null
  'coat.from': null
  'coat.lengthMm': null
  'coat.giveOrTakeMm': null
  'coat.apartMm': null
  'coat.longerPulled': null
  'coat.shorterPulled': null
  'coat.week': null
  'coat.weeks': null
  'coat.on': null
  'coat.whoseHands': null
  'coat.notKnown': null
  'coat.addBook': null
  'coat.missing': null
  'coat.labelValueMustNumberMm': { label: Said; value: Said }
  'coat.cut': null
  'coat.touchPlaceDogFirst': null
  'coat.placePlace': null
  'coat.nothingSeeYet': null
  'coat.back': null
  'coat.bestFairAcceptable': { fair: Said }
  'coat.idealWeeks': { ideal: Said }
  'coat.longestMost': { longest: Said }
  'coat.afterMats': null
  'coat.thenFirstHasGrownOut': { first: Said }
  'coat.lastCutDayIdeallyBack': { day: Said }
  'coat.latestDay': { day: Said }
  'coat.strippedCoatKeptRollingNot': null
  'coat.nameWillLookWeeksWeeks': { name: Said; weeks: number }
  'coat.risk100CoatsLikeMatted': { risk: Said; growth: Said }
  'coat.homeCareVisits': null
  'coat.lengthsThen': null
  'coat.namePlacePlace': { name: Said }
  'coat.trimHasNoLengths': null
  'coat.nowMmMmTodayThenMmMm': { nowMm: Said; thenMm: Said }
  'coat.overgrown': null
  'coat.grownOut': null
  'coat.betweenIntervalInterval2MmIsGrownOut': { interval: Said; interval2: Said; isGrownOut: Said; grownOutMm: Said }
  'coat.cutToday': null
  'coat.lengthMmMmThenMmMmThen': { lengthMm: Said; thenMm: Said }
  'coat.handLeaveXMmMost': { x: Said }
  'coat.noToolLeavesLengthLasts': null
  'coat.chanceMatsOurEstimateEach': null
  'coat.hardlyAnyMats': null
  'coat.someMats': null
  'coat.matsMoreLikelyThanNot': null
  'coat.matsAlmostCertain': null
  'coat.nameFromDogsOwnSide': { name: Said; side: Said; heading: Said; stands: Said; says: Said }
  'coat.hasNoHairShowing': null
  'coat.standingMmMmLong': { standingMm: Said }
  'coat.behindDaysBehind': { behind: Said }
  'coat.daysDaysAhead': { days: Said }
  'coat.pause': null
  'coat.today': null
  'coat.dayDays': { day: Said }
  'coat.todayDaysAgo': { today: Said }
  'coat.today2': null
  'coat.day': null
  'coat.trimComplete': null
  'coat.doneOneSideOnlyHalves': { halves: Said }
  'coat.fitsIntoMinutesMinutesLeft': { minutes: Said; dog: Said }
  'coat.thereNoTimeDoBoth': null
  'coat.minutesMinutesPlanned': { minutes: Said }
  'coat.leftNextTime': null
  'coat.nextVisitStartsHere': null
  'coat.n1Length': null
  'coat.lengthsLengths': { lengths: Said }
  'coat.trim': null
  'coat.thoseTrims': null
  'coat.leavesOutLengthsColleagueMeasured': { lengths: Said; days: Said; n: Said }
  'coat.showThem': null
  'coat.nothingCorrect': null
  'coat.nMoreLike': { n: Said }
  'coat.sidesStepFromDay': { day: Said }
  'coat.bothSidesStepCarryPlanned': null
  'coat.noPlanTriedHereBrings': null
  'coat.comparePlans2': { at: Said }
  'coat.nameSSideDay': { name: Said; side: Said; day: Said }
  'coat.sideStandingMmMm': { side: Said; standingMm: Said }
  'coat.holdSkinTightPullFew': null
  'coat.whatCoatKept': null
  'coat.daysDaysPlace': { days: Said; place: Said }
  'coat.step': null
  'coat.notWithinFourMonths': null
  'coat.leavesBarePatchesBarest01Without': { barest01: Said }
  'coat.stepButOnlyStandingMmMm': { standingMm: Said; leastMm: Said }
  'coat.stillDaysDaysApartDay': { days: Said; day: Said }
  'coat.stepDate': null
  'coat.stepFromOneStandingMmMm': { one: Said; standingMm: Said }
  'coat.sidesStepFrom': null
  'coat.furthestApartDay': { day: Said }
  'coat.jacketLength': null
  'coat.standingMmMm': { standingMm: Said }
  'coat.shownPlaceRightLeft': { shownPlace: Said }
  'coat.standingMmStandingMm2Mm': { standingMm: Said; standingMm2: Said }
  'coat.bare': null
  'coat.barestWay': null
  'coat.evennessCoat': null
  'coat.soft': null
  'coat.visits': null
  'coat.under10Weeks': null
  'coat.n1018Weeks': null
  'coat.over18Weeks': null
  'coat.ripePullsOutEasily': null
  'coat.cutGrowsBackSoft': null
  'coat.plannedLightRollBothSides': null
  'coat.skipNextSession': null
  'coat.halfRollInsteadLightOne': null
  'coat.halfRollInsteadLightOne2': null
  'coat.pullAllNextTime': null
  'coat.leftSideOnlyNextTime': null
  'coat.rightSideOnlyNextTime': null
  'coat.neverFarWeKnow': null
  'coat.onceWeek': null
  'coat.twoOrThreeTimesWeek': null
  'coat.everyDay': null
  'coat.lightRoll': null
  'coat.matCutOut': null
  'coat.tooMuchPulledOneSpot': null
  'coat.missingHair': null
  'coat.measuredLength': null
  'coat.gapBetweenLayers': null
  'coat.writtenHand': null
  'coat.fromTable': null
  'coat.foundCheck': null
  'coat.readGrading': null
  'coat.pulledHowShare01Part01': { how: Said; share01: Said; part: string }
  'coat.cutToMmMm': { toMm: Said }
  'coat.holeWidthMmMmCause': { widthMm: Said; cause: Said }
  'coat.mmMmMeasured': { mm: Said }
  'coat.layersOlderOnNewerOnMmMm': { olderOn: Said; newerOn: Said; mm: Said }
  'coat.allNSide': { all: Said; n: Said; side: string }
  'coat.linesDoNotFit': { n: number; say: Said }
  'coat.sameAtMorePlaces': { n: number }
  'coat.pullsAreApart': { weeks: number }
  'coat.trimLasts': { ideal: number; fair: Said; longest: Said; ends: string }
  'coat.dogInWeeks': { name: Said; weeks: number; day: Said }
  'coat.toCorrect': null
  'coat.aimingFor': null
  'coat.half': null
  'coat.all': null
  'coat.pulled': null
  'coat.carded': null
  'coat.cut2': null
  'coat.hole': null
  'coat.width': null
  'coat.gap': null
  'coat.length': null
  'coat.leftCapital': null
  'coat.rightCapital': null
  'coat.comesBackIn': null
  'coat.inCalendar': null
  'coat.putInCalendar': null
  'coat.planKept': { date: Said; by: Said }
  'coat.planMoved': { date: Said }
  'coat.moved': { how: string; places: Said; kind: string; is: Said; was: Said }
  'coat.takeNewDays': null
  'coat.dropPlan': null
  'coat.seeCalendar': null
  'coat.stillPossible': null
  'coat.lateLeave': null
  'coat.lateHalf': null
  'coat.lateAll': null
  'coat.lateAim': null
  'coat.aimShorter': { place: Said; sureMm: Said; mm: Said }
  'coat.aimMore': { count: number }
  'coat.noAim': { date: Said }
  'coat.lateBest': { count: number }
  'coat.lateDrawn': { way: Said; date: Said }
  'coat.ifItMats': null
  'coat.cameMatted': { of: number; matted: Said; weeks: number }
  'coat.howLong': null
  'coat.lastsHead': null
  'coat.matsAfter': { weeks: number }
  'coat.trimAsItIs': { mm: Said }
  'coat.nothingLonger': { mm: Said }
  'coat.weeksLong': { weeks: number }
  'coat.riskMinutes': { risk: Said; minutes: Said }
  'coat.tellOwner': null
  'coat.ownerKeeps': { dog: Said; weeks: number }
  'coat.ownerShorter': { dog: Said; weeks: number; mm: Said; lasts: number; minutes: number }
  'coat.ownerSooner': { dog: Said; weeks: number; lasts: number }
  'coat.copyText': null
  'coat.copied': null
  'coat.growOut': null
  'coat.growDone': { trim: Said; weeks: number; date: Said; never: number }
  'coat.growNotInTwoYears': { trim: Said }
  'coat.growTo': null
  'coat.growEvery': null
  'coat.growLevel': { date: Said }
  'coat.growBand': { date: Said }
  'coat.growWrap': { date: Said }
  'coat.growNever': { place: Said; wanted: Said; stops: Said }
  'coat.growDrawn': { name: Said; date: Said }
  'coat.growTakeNothing': null
  'coat.growTake': { mm: Said; count: number }
  'coat.growHoles': { count: number }
  'coat.growSome': { drawn: Said; of: Said }
  'coat.growHow': null
  'day.working': null
  'day.moveDog': { dog: Said }
  'day.move': null
  'day.free': null
  'day.dragOntoTable': null
  'day.everyoneHasTable': null
  'day.apprentices': null
  'day.dogs': null
  'day.howDayWent': null
  'day.whoHere': null
  'day.openedOpenedBy': { openedBy: Said }
  'day.openDay': null
  'day.apprenticesWhoHere': null
  'day.endDay': null
  'day.whatEachApprenticeSent': null
  'day.whatEachApprenticeWillSent': null
  'day.reopenDay': null
  'day.closeDay': null
  'day.noOneHasWorkedDog': null
  'day.dayOpen': null
  'day.absent2': null
  'day.here': null
  'day.nameId': { name: Said; id: Said }
  'day.dayClosed': null
  'day.dayOpenAgain': null
  'day.day': null
  'day.dateNN2TablesUse': { date: Said; n: Said; n2: Said }
  'day.whichDay': null
  'day.dayBefore': null
  'day.day2': null
  'day.dayAfter': null
  'day.dayOver': null
  'day.dayClosedYouCanNo': null
  'day.noTablesYetAddTable': null
  'day.addTable': null
  'day.roomTools': null
  'day.peopleCohortsInvitations': null
  'day.nPeopleN2Dogs': { n: number; n2: number }
  'day.add': null
  'day.planVisit': null
  'day.visitPlanned': null
  'day.addDog': null
  'day.dogAdded': null
  'day.addPerson': null
  'day.personAddedTheyCanSign': null
  'day.tableNumber': { number: Said }
  'day.weeksSinceLastGroomIf': null
  'day.whatOwnerAsked': null
  'day.reasonGoingAheadIfCoat': null
  'day.firstName': null
  'day.lastName': null
  'day.username': null
  'day.firstPasswordLeastTenCharacters': null
  'day.visitMoved': null
  'day.visitCancelled': null
  'day.visitCorrectedWorkNowCounts': null
  'day.swapped': null
  'day.tableNumberRoom': { number: Said }
  'day.comesAt': null
  'day.calendar': null
  'day.schoolOff': { name: string }
  'day.visit': null
  'day.dog': null
  'day.person': null
  'day.apprentice2': null
  'day.table': null
  'day.trim': null
  'day.role': null
  'day.cohort': null
  'day.finished': null
  'day.dogTrimTableTableNumber': { dog: Said; trim: Said; tableNumber: Said }
  'day.confirmAttempts': null
  'day.apprentice3': { apprentice: Said }
  'day.cancelVisit': null
  'day.enteredWronglyYouCanCorrect': null
  'day.correct': null
  'day.cancelDogSVisit': { dog: Said }
  'day.freesApprenticeTableTableNumber': { apprentice: Said; tableNumber: Said }
  'day.checkChoicesDeleted': null
  'day.cancelling': null
  'day.swap': null
  'day.tableTableNumberXDog': { tableNumber: Said; x: Said; dog: Said }
  'day.swapTables': null
  'day.swapDogs': null
  'day.room': null
  'day.name': null
  'day.widthMm': null
  'day.depthMm': null
  'day.saveRoom': null
  'day.toolsTables': null
  'day.noTablesYetAddOne': null
  'day.nN2ToolsHere': { n: Said; n2: Said }
  'day.wholeRackHere': null
  'day.wholeRack': null
  'day.removeTableNumber': { number: Said }
  'day.removeTableNumber2': { number: Said }
  'day.youCanNoLongerPlan': null
  'day.remove': null
  'day.removing': null
  'day.tableRemovedWorkDoneThere': null
  'day.roomSaved': null
  'day.toolsSavedTable': null
  'day.sharedTablets': null
  'day.enrolledTabletOpensNamePin': null
  'day.oneLocksAfterLocksAfterMinMin': { one: Said; locksAfterMin: Said }
  'day.tablet': null
  'day.isThisEnrolledEnrolledByDate': { isThis: Said; enrolledBy: Said; date: Said }
  'day.endEnrolment': null
  'day.name2': { name: Said }
  'day.noTabletsEnrolledYet': null
  'day.nameTablet': null
  'day.belongs': null
  'day.wholeRoom': null
  'day.tableNumber2': { number: Said }
  'day.locksAfterMin': null
  'day.endEnrolmentName': { name: Said }
  'day.pINsNoLongerOpenAnyone': null
  'day.everythingRecordedStays': null
  'day.ending': null
  'day.changeTablet': null
  'day.enrolTablet': null
  'day.tableTableNumber': { tableNumber: Said }
  'day.tabletEnrolledAnyonePinCan': null
  'day.nameNoLongerEnrolled': { name: Said }
  'day.fromCoatDescription': null
  'day.breedOrMix': null
  'day.bodyType': null
  'day.coatDescription': null
  'day.coatType': null
  'day.heightWithers': null
  'day.minutesCanWorked': null
  'day.whatDislikes': null
  'day.ownersFirstName': null
  'day.ownersContactDetails': null
  'day.colour': null
  'day.temperament': null
  'day.dayClosedSent': { sent: number }
  'day.notHere': { name: Said }
  'dogs.nameToolsPlace': { name: Said }
  'dogs.adviser': null
  'dogs.nameCoatCoatTheseTools': { name: Said; coat: Said; side: Said }
  'dogs.nameRecommendedToolEachPlace': { name: Said }
  'dogs.backRecommended': null
  'dogs.aboutName': { name: Said }
  'dogs.combedSkinToday': null
  'dogs.recommendationsFollowCommonPracticeSchools': { houseChoices: Said }
  'dogs.place': null
  'dogs.aimingAimedMm': { aimed: Said }
  'dogs.plannedPlannedMmAimingAimed': { planned: Said; aimed: Said }
  'dogs.dogs': null
  'dogs.noDogsYet': null
  'dogs.addOneDaysPageOr': null
  'dogs.schoolDogs': null
  'dogs.nameDrawn': { name: Said }
  'dogs.coatColourWithersMmMmTemperament': { coat: Said; colour: Said; withersMm: Said; temperament: Said }
  'dogs.burnedBeforeSideRegion': { side: Said; region: Said }
  'dogs.count': { count: number }
  'dogs.dog': null
  'dogs.aboutDog': null
  'dogs.looks': null
  'dogs.name': null
  'dogs.breedOrMix': null
  'dogs.bodyType': null
  'dogs.coatDescription': null
  'dogs.coatType': null
  'dogs.colour': null
  'dogs.nose': null
  'dogs.skin': null
  'dogs.mm': null
  'dogs.inches': null
  'dogs.measurementsLengths': { lengths: Said }
  'dogs.heightWithers': null
  'dogs.backWithersTail': null
  'dogs.muzzleStopNose': null
  'dogs.forelegElbowGround': null
  'dogs.foreFootHeelToe': null
  'dogs.flatPartFoot': null
  'dogs.weightKg': null
  'dogs.born': null
  'dogs.history': null
  'dogs.minutesCanWorked': null
  'dogs.temperament': null
  'dogs.whatDislikes': null
  'dogs.earsInfectionsPluckedOrNot': null
  'dogs.burnedBefore': null
  'dogs.bladeDirectionGrowth': { blade: Said; direction: Said }
  'dogs.bladeNotRecorded': null
  'dogs.remove': null
  'dogs.placeBurn': null
  'dogs.sideBurn': null
  'dogs.bladeBurned': null
  'dogs.bladeNotKnown': null
  'dogs.bladeLabel': { label: Said }
  'dogs.directionBladeBurned': null
  'dogs.with': null
  'dogs.against': null
  'dogs.add': null
  'dogs.ownersFirstName': null
  'dogs.ownersContactDetails': null
  'dogs.eraseOwner': null
  'dogs.save': null
  'dogs.notGiven': null
  'dogs.x': { x: Said }
  'dogs.nothingSavedYetCorrectMarked': null
  'dogs.eraseOwnerGradingsVisitsStay': null
  'dogs.ownerErased': null
  'dogs.nameCoatCoat': { name: Said; coat: Said }
  'dogs.planned': null
  'dogs.lastMeasured': null
  'dogs.nameColourWithersMmMmWears': { name: Said; colour: Said; withersMm: Said; wears: Said; side: Said }
  'dogs.nameDrawnTrueScale': { name: Said }
  'dogs.planned2': null
  'dogs.lastMeasured2': null
  'dogs.toolsPlace': null
  'dogs.coatOverTime': null
  'dogs.aboutDog2': null
  'dogs.lengthsUnit': { unit: Said }
  'dogs.temperamentDislikesDislikesUpCanStandMin': { temperament: Said; dislikes: Said; canStandMin: Said }
  'dogs.ownerOwnerGivenName': { ownerGivenName: Said }
  'dogs.burnedBeforeSideRegionUse': { side: Said; region: Said }
  'dogs.previewLongerOrShorterPlan': { length: Said }
  'dogs.backPlan': null
  'dogs.visits': null
  'dogs.graded': null
  'dogs.plannedLength': { length: Said }
  'dogs.burnedBeforeSide': { side: Said }
  'dogs.fitWorked': null
  'dogs.fitWorked2': null
  'dogs.yesInstructorCanLimitDog': null
  'dogs.reason': null
  'dogs.vetsAdvice': null
  'dogs.limit': null
  'dogs.refuse': null
  'dogs.clear': null
  'dogs.importDogs': null
  'dogs.noDogsCanAddedYet': null
  'dogs.csvFileColumnsNameBodyType': null
  'dogs.breedWithersMmMm': { breed: Said; withersMm: Said }
  'dogs.duplicateDog': null
  'dogs.duplicate': null
  'dogs.nameSameDog': { name: Said }
  'dogs.choose': null
  'dogs.merge': null
  'dogs.mergeNameIntoKept': { name: Said; kept: Said }
  'dogs.nameSVisitsGradingsCoat': { name: Said; kept: Said }
  'dogs.entryNameDeletedCannotUndone': { name: Said }
  'dogs.merging': null
  'dogs.leavesLengthMmMm': { lengthMm: Said }
  'dogs.burnedBefore2': null
  'dogs.askInstructor': null
  'dogs.addAll': { n: number }
  'dogs.saved': null
  'door.sameNumbersGradeTrim': null
  'door.drawDog': null
  'door.beardedTerrierPetPatternDrawn': null
  'door.pl1Pepper340Mm': null
  'door.peen': null
  'door.groomingSchoolsPracticeTrimsCertificates': null
  'door.pageNotFound': null
  'door.pageDoesNotExist': null
  'door.chooseWhereGoFromMenu': null
  'door.pinSharedTablets': null
  'door.leastMostDigitsOpensTablets': { least: Said; most: Said }
  'door.yourPassword': null
  'door.newPin': null
  'door.savePin': null
  'door.removePin': null
  'door.pinSavedOpensEnrolledTablets': null
  'door.pinRemoved': null
  'door.setUpYourSchool': null
  'door.noOneHereYetFirst': null
  'door.schoolName': null
  'door.yourFirstName': null
  'door.yourLastName': null
  'door.username': null
  'door.passwordLeastTenCharacters': null
  'door.createSchool': null
  'door.yourSettings': null
  'door.drawDogsDevice': null
  'door.changePassword': null
  'door.currentPassword': null
  'door.newPasswordLeastTenCharacters': null
  'door.changing': null
  'door.changeMyPassword': null
  'door.tablet': null
  'door.newerVersionPeenReadyLoads': null
  'door.loadNow': null
  'door.signOut': null
  'door.showGuideAgain': null
  'door.n24Hours': null
  'door.firstDayWeek': null
  'door.monday': null
  'door.sunday': null
  'door.n12Hours': null
  'door.lightOrDark': null
  'door.sameDevice': null
  'door.textSize': null
  'door.whenApprenticeAsksHelp': null
  'door.stayQuiet': null
  'door.savedEveryTabletYouSign': null
  'door.passwordChangedYouSignedOut': null
  'door.sign': null
  'door.signUsername': null
  'door.password': null
  'door.openPin': null
  'door.tableTableNumberName': { tableNumber: Said; name: Said }
  'door.peenNotAnsweringCheckTablet': null
  'door.peensDatabaseDownBeingRestarted': null
  'door.whileThereNoConnectionAnyone': null
  'door.continueMe': { me: Said }
  'door.noOneHasOpenedTablet': null
  'door.pinChosen': { chosen: Said }
  'door.deleteLastDigit': null
  'door.open': null
  'door.notGivenName': { givenName: Said }
  'door.noOneHasPinYet': null
  'door.hiddenMorePeople': { hidden: Said }
  'door.chooseYourPassword': null
  'door.start': null
  'door.tapsWaitForPerson': { name: string; taps: number; person: Said }
  'door.language': null
  'door.lengths': null
  'door.millimetres': null
  'door.inches': null
  'door.clock': null
  'door.light': null
  'door.dark': null
  'door.usual': null
  'door.large': null
  'door.larger': null
  'door.sound': null
  'door.vibrate': null
  'door.both': null
  'door.wholeSchool': null
  'door.untilChosen': null
  'door.savedForSchool': null
  'door.checkCertificate': null
  'figure.eachBorderMarkMarkMmMm': { markMm: Said }
  'figure.rightSide': null
  'figure.leftSide': null
  'figure.plateLabel': { label: Said }
  'figure.titleLabelWithersMmMmName': { title: Said; label: Said; withersMm: Said; name: Said }
  'figure.place': null
  'figure.touchPlaceDogChangeLength': null
  'figure.mm': null
  'figure.timeSinceTrim': null
  'figure.days': null
  'figure.whatFaultLooksLike': null
  'figure.noFault': null
  'figure.shapes': null
  'figure.coatNotShapedHangsNaturally': null
  'figure.backPlan': null
  'figure.lookFromAbove': null
  'figure.lookName': { name: Said }
  'figure.plates': null
  'figure.platesEveryKindDogFrom': null
  'figure.drawnScaleFromEachTrims': null
  'figure.drawnWithersMmMm': { withersMm: Said }
  'figure.placesDog': null
  'figure.sideSide': { side: Said }
  'figure.viewFrom': null
  'figure.triangleAboveHock': null
  'figure.filledRearLeg': null
  'figure.roundHead': null
  'figure.tailBandV': null
  'figure.stoutTail': null
  'figure.footLine': null
  'figure.hairLeft': null
  'figure.bevelBottom': null
  'figure.bevelTop': null
  'figure.topAboveGround': null
  'figure.behindSecondThigh': null
  'figure.behindThigh': null
  'figure.behindButtock': null
  'figure.leftFront': null
  'figure.leftTuckUp': null
  'figure.foot': null
  'figure.centreForwardEye': null
  'figure.centreAboveEye': null
  'figure.aboveMiddleEye': null
  'figure.leftSides': null
  'figure.bareFromRoot': null
  'figure.pointIntoCroup': null
  'figure.behindSkull': null
  'figure.beyondTip': null
  'figure.root': null
  'figure.tip': null
  'figure.aboveGround': null
  'figure.foreleg': null
  'figure.rearLeg': null
  'figure.leftSide2': null
  'figure.rightSide2': null
  'figure.plannedLength': { length: Said }
  'figure.noBevels': null
  'figure.cylinder': null
  'figure.feather': null
  'figure.underline': null
  'figure.dome': null
  'figure.topknot': null
  'figure.visor': null
  'figure.brows': null
  'figure.beard': null
  'figure.pompon': null
  'figure.ruff': null
  'figure.plume': null
  'figure.radius': null
  'figure.length': null
  'figure.head': null
  'figure.front': null
  'figure.rear': null
  'figure.above': null
  'floor.calendar': null
  'floor.guide': null
  'floor.hideGuide': null
  'floor.floorRoomTodayNextThree': null
  'floor.certifyWhatEachApprenticeHas': null
  'floor.trimsHouseRulesHowSchool': null
  'floor.floorTouchTableOpenButtons': null
  'floor.endingTableGradeTrimApprentice': null
  'floor.pressAnyScreenShortcutsSearch': null
  'floor.floorYourDogTodaySheet': null
  'floor.myRecordWhatYouHave': null
  'floor.afterEachDogRateYour': null
  'floor.addYourTables': null
  'floor.addYourPeople': null
  'floor.addYourDogs': null
  'floor.planVisit': null
  'floor.checkDogAgreeTrim': null
  'floor.room': null
  'floor.thereNoTablesRoomYet': null
  'floor.youHaveNoDogToday': null
  'floor.yourSchoolStartsEmptySet': null
  'floor.lookYourRecordOrAsk': null
  'floor.setUpDay': null
  'floor.done': null
  'floor.moveTables': null
  'floor.todayNTables': { n: number }
  'floor.myTable': null
  'floor.tableI': { i: Said }
  'floor.iAmHereFirstTable': null
  'floor.startOrStopMovingTables': null
  'floor.tableNumber': { number: Said }
  'floor.namePlannedTrim': { name: Said }
  'floor.standardMinMin': { standardMin: Said }
  'floor.xMinLeftDog': { x: Said }
  'floor.finished': null
  'floor.stopped': null
  'floor.namePanics': { name: Said }
  'floor.hasHadEnoughToday': null
  'floor.break': null
  'floor.needsYou': null
  'floor.notStarted': null
  'floor.betweenSteps': null
  'floor.allStepsDone': null
  'floor.thenLabel': { label: Said }
  'floor.free': null
  'floor.holdHazardName': { hazardName: Said }
  'floor.whereGoNext': null
  'floor.todayHasNotBeenOpened': null
  'floor.openDay': null
  'floor.dayClosedAnythingTappedNow': null
  'floor.dragEachTablePlace': null
  'floor.orPressArrowKeysMove': null
  'floor.noOneNeedsYouRight': null
  'floor.checkDogTableTableNumber': { tableNumber: Said }
  'floor.iAmHereTableTableNumber': { tableNumber: Said }
  'floor.day': null
  'floor.priorityOrder': null
  'floor.tableNumberXMmMFrom': { number: Said; xMm: Said; yMm: Said; turnDeg: Said }
  'floor.free2': null
  'floor.myDay': null
  'floor.yourDay': null
  'floor.yourDaySoFar': null
  'floor.nothingRecordedYouYetToday': null
  'floor.dayClosedYouHaveBeen': null
  'floor.practiceFigure': null
  'floor.door': null
  'floor.bathDrying': null
  'floor.howTablesPutOrder': null
  'floor.stoppedWorkComesFirstThen': null
  'floor.useThese': null
  'floor.restorePeensValues': null
  'floor.onlyLeadAssessorCanChange': null
  'floor.timeHarm': null
  'floor.chanceMishapRiskyStepApprentices': null
  'floor.chanceMishap': null
  'floor.noNumber': null
  'floor.labelFieldValueMustLow': { label: Said; field: Said; value: Said; low: Said; high: Said; unit: Said }
  'floor.forThisDog': null
  'glossary.apprentice': null
  'glossary.assessor': null
  'glossary.attempt': null
  'glossary.band': null
  'glossary.blade': null
  'glossary.carding': null
  'glossary.certificate': null
  'glossary.chalk': null
  'glossary.checkIn': null
  'glossary.clean': null
  'glossary.comb': null
  'glossary.competent': null
  'glossary.criterion': null
  'glossary.double': null
  'glossary.fallenBack': null
  'glossary.fault': null
  'glossary.feathering': null
  'glossary.finishing': null
  'glossary.floor': null
  'glossary.furnishings': null
  'glossary.gate': null
  'glossary.gauge': null
  'glossary.giveOrTake': null
  'glossary.grading': null
  'glossary.handStripping': null
  'glossary.holdPoint': null
  'glossary.houseRule': null
  'glossary.lapsed': null
  'glossary.layer': null
  'glossary.mark': null
  'glossary.mat': null
  'glossary.occiput': null
  'glossary.hold': null
  'glossary.pass': null
  'glossary.place': null
  'glossary.practising': null
  'glossary.prompt': null
  'glossary.ready': null
  'glossary.rolling': null
  'glossary.safetyEvent': null
  'glossary.sanitary': null
  'glossary.scissoring': null
  'glossary.slipping': null
  'glossary.stopping': null
  'glossary.strip': null
  'glossary.stuck': null
  'glossary.thinning': null
  'glossary.topline': null
  'glossary.tuckUp': null
  'glossary.undercoat': null
  'glossary.visit': null
  'glossary.wish': null
  'glossary.growth': null
  'glossary.withers': null
  'grading.wherePlace': { place: Said }
  'grading.calculatedSays': { says: Said }
  'grading.should': null
  'grading.sidePhotograph': { side: Said }
  'grading.photograph': null
  'grading.overruledSideAnswerBelowCounts': { side: Said }
  'grading.overrule': null
  'grading.reasonOverrulingPicture': null
  'grading.feltHandLockStoodUp': null
  'grading.number': null
  'grading.mm': null
  'grading.labelSideReadingIMm': { label: Said; side: Said; i: Said }
  'grading.likeArrivalSide': { side: Said }
  'grading.finishedInstructor': null
  'grading.clear': null
  'grading.whatThereArrival': null
  'grading.matCutOutMarch': null
  'grading.save': null
  'grading.readingI': { i: Said }
  'grading.oneReadingEachPlace': null
  'grading.oneReading': null
  'grading.readingsReadings': { readings: Said }
  'grading.howNameGiveOrTake': { how: Said; name: Said; uMm: Said }
  'grading.nameTextMustLowHigh': { name: Said; text: Said; low: Said; high: Said }
  'grading.textNotLengthMustLow': { text: Said; low: Said; high: Said }
  'grading.textMmBelowZeroMust': { text: Said; low: Said; high: Said }
  'grading.textMmLongerThanAny': { text: Said; high: Said }
  'grading.twoAssessors': null
  'grading.assessmentDay': null
  'grading.schedule': null
  'grading.scheduleToday': null
  'grading.passMarksOverallImpression': null
  'grading.noAssessmentDayYetNo': null
  'grading.assessmentDay2': null
  'grading.notAssessmentDay': null
  'grading.noDogsPlannedDayYet': null
  'grading.tableTableNumber': { tableNumber: Said }
  'grading.remove': null
  'grading.open': null
  'grading.firstAssessorCandidate': { candidate: Said }
  'grading.firstAssessor': null
  'grading.secondAssessorCandidate': { candidate: Said }
  'grading.secondAssessor': null
  'grading.appoint': null
  'grading.notStarted': null
  'grading.settledPassed': null
  'grading.settledNotPassed': null
  'grading.waitingOtherAgree': null
  'grading.bothSignedCompareSettle': null
  'grading.tooClosePassMarkSecond': null
  'grading.twoAssessorsMarkSeparatelyEach': null
  'grading.candidateDogDate': { candidate: Said; dog: Said; date: Said }
  'grading.trimCoatCoatPassMark': { trim: Said; coat: Said; pass: Said }
  'grading.betweenIntervalInterval2': { interval: Said; interval2: Said }
  'grading.hadAlreadyReadOther': null
  'grading.overallImpressionBeforeSeeingMark': { rating: Said; blind: Said }
  'grading.readWholeSheet': null
  'grading.signedShownOnceBothHave': null
  'grading.markingNow': null
  'grading.notStarted2': null
  'grading.whereTheyDifferLargestFirst': null
  'grading.nowhere': null
  'grading.marks': { by: Said }
  'grading.moreThanMeasuringErrorExplains': null
  'grading.withinMeasuringError': null
  'grading.yourPart': null
  'grading.continueYourSheet': null
  'grading.markTrim': null
  'grading.youNotOneTwoAssessors': null
  'grading.doNotDiscussTrimOther': null
  'grading.yourAgreedOutcome': null
  'grading.passed': null
  'grading.notPassed': null
  'grading.agreedByAgreeBothMarksStay': { agreedBy: Said }
  'grading.proposedOtherHasNotAgreed': null
  'grading.nothingAgreedYetBothMarks': null
  'grading.agree': null
  'grading.disagree': null
  'grading.outcome': null
  'grading.why': null
  'grading.propose': null
  'grading.otherAssessorThenAgreesOr': null
  'grading.clearFail': null
  'grading.pass': null
  'grading.feedbackOnly': null
  'grading.cannotDecidedOwn': null
  'grading.left': null
  'grading.right': null
  'grading.mm2': null
  'grading.target': null
  'grading.left2': null
  'grading.right2': null
  'grading.answer': null
  'grading.allNHereTheyShould': { n: Said }
  'grading.labelShould': { label: Said }
  'grading.should2': null
  'grading.photographGaveNumberUnitOverruled': { number: Said; unit: Said; reason: Said }
  'grading.giveOrTakeNumberUnit': { number: Said; unit: Said; x: Said }
  'grading.withinBand': { band: Said }
  'grading.upBand': { band: Said }
  'grading.upNumber': { number: Said }
  'grading.fromNumber': { number: Said }
  'grading.numberNumber2': { number: Said; number2: Said }
  'grading.measuredPhotographSays': { says: Said }
  'grading.calculatedFromReadingsBothSides': { says: Said }
  'grading.calculatedFromReadingsLabelSays': { label: Said; says: Said; says2: Said }
  'grading.doneWell': null
  'grading.nothingMarkedShouldYet': null
  'grading.tablePraise': { praise: Said }
  'grading.improve': null
  'grading.oneThing': null
  'grading.twoThings': null
  'grading.threeThings': null
  'grading.nImproveBiggestGainFirst': { n: Said }
  'grading.shownMark': null
  'grading.nothingMoreCuttingWouldImprove': null
  'grading.nameCaptionFinishedTrimFrom': { name: Said; caption: Said; side: Said }
  'grading.nameFoundHairsDrawnOut': { name: Said }
  'grading.viewSide': { view: Said }
  'grading.seeLeftSide': null
  'grading.seeRightSide': null
  'grading.withersMmMm': { withersMm: Said }
  'grading.sideRegionLikeArrivalReason': { side: Said; region: Said; reason: Said }
  'grading.measurePhotographs': null
  'grading.gradeSheet': null
  'grading.whatLimitsMark': null
  'grading.capMost': { cap: Said }
  'grading.answeredAskedAnswered': { answered: Said; asked: Said }
  'grading.cannotTellCouldNotJudged': { cannotTell: Said }
  'grading.signGrading': null
  'grading.nextSideNext': { next: Said }
  'grading.giveYourRatingFirst': null
  'grading.askedStillAnswer': { asked: Said }
  'grading.signGrading2': null
  'grading.sign': null
  'grading.signing': null
  'grading.markTotalOutcome': { total: Said; outcome: Said }
  'grading.noMarkFeedbackOnly': null
  'grading.nextSideDog': null
  'grading.previousSideDog': null
  'grading.nextCriterion': null
  'grading.previousCriterion': null
  'grading.passPass': { pass: Said }
  'grading.mark': null
  'grading.beforeYouSeeMarkYour': null
  'grading.overallImpression': null
  'grading.chosenShowMark': { chosen: Said }
  'grading.weAskFirstSoMark': null
  'grading.between': null
  'grading.and': null
  'grading.soFar': null
  'grading.faultsLimitsMarkMark': { faults: Said; mark: Said }
  'grading.nothingLimits': null
  'grading.outcomeCapSOverallImpression': { outcome: Said; cap: Said; by: Said; rating: Said }
  'grading.howCertain': null
  'grading.allowingMeasuringErrorTrimReaches': { x: Said }
  'grading.becauseThereNoMark': { because: Said }
  'grading.sOverallImpressionRatingNothing': { by: Said; rating: Said }
  'grading.soFarFromAnswersGiven': null
  'grading.sheetAlsoFilledAnotherDevice': null
  'grading.oneAnswerDiffers': null
  'grading.nAnswersDiffer': { n: Said }
  'grading.nChooseAnswerKeepEach': { n: Said }
  'grading.useSheet': null
  'grading.yourOverallImpression': null
  'grading.notGiven': null
  'grading.notTicked': null
  'grading.notAnswered': null
  'grading.gradedAgreed': null
  'grading.nThingsDifferFromTrim': { n: Said }
  'grading.noSignedGradingYet': null
  'grading.trim': null
  'grading.borderlineRegressionOverNSigned': { n: Said; x: Said }
  'grading.signedUnderOlderMethod': null
  'grading.signedMarkNeverChangesThese': null
  'grading.signedMarkOutcomeToday': { mark: Said; outcome: Said }
  'grading.apprenticeDogDate': { apprentice: Said; dog: Said; date: Said }
  'grading.onlyNNeededGradingsNeeded': { n: Said; needed: Said }
  'grading.everyTrimGotSameOverall': null
  'grading.twoAgree': null
  'grading.passMarkStricter': null
  'grading.passMarkMoreLenient': null
  'grading.overallImpressionBorderlineTrimScores': { cut: Said; interval: Said; interval2: Said; pass: Said; inside: Said }
  'grading.effectRecord': null
  'grading.result': null
  'grading.you': null
  'grading.givenNameFamilyNameMarkedGivenName2FamilyName2': { givenName: Said; familyName: Said; givenName2: Said; familyName2: Said; blind: string }
  'grading.appointSecondAssessor': null
  'grading.houseRulesForce': null
  'grading.intervalInterval2': { interval: Said; interval2: Said }
  'grading.minimumFloor': { floor: Said }
  'grading.nextSide': null
  'grading.previousSide': null
  'grading.trims': null
  'grading.noTrimsGradedYet': null
  'grading.openTableFloorPressGrade': null
  'grading.gradedTrimsNewestFirst': null
  'grading.trimLibrary': null
  'grading.techniques': null
  'grading.platesEveryKindDog': null
  'grading.houseRules': null
  'grading.rackLengthEachToolLeaves': null
  'grading.dog': { dog: Said }
  'grading.markedAssessor': { assessor: Said }
  'grading.olderTrims': null
  'grading.colleaguesMarks': null
  'grading.showMarks': null
  'grading.backTrims': null
  'grading.tableTableNumberGivenNameFamilyNameName': { tableNumber: Said; givenName: Said; familyName: Said; name: Said }
  'grading.sidesDog': null
  'grading.mmMm': { mm: Said }
  'grading.valuesMm': { values: Said }
  'grading.likeArrivalReason': { reason: Said }
  'grading.finishedInstructor2': null
  'grading.answerFromPicture': { answer: Said }
  'grading.answerOverrulingPicture': { answer: Said }
  'grading.peenNotAnsweringSoNothing': null
  'grading.sheetId': { id: Said }
  'grading.trimsNeedSecondAssessor': { n: number }
  'grading.trimsToSettle': { n: number }
  'grading.worthMarks': { gain: number; marks: Said; criterionId: Said }
  'grading.marking': null
  'grading.signed': null
  'grading.borderline': null
  'grading.good': null
  'grading.outstanding': null
  'grading.unfinished': null
  'grading.measuredWithin': { value: Said; unit: Said; u: Said }
  'grading.leftCapital': null
  'grading.rightCapital': null
  'grading.setAsideOn': { by: Said; date: Said; reason: Said }
  'grading.setThisMarkAside': null
  'grading.setAsideSays': null
  'grading.setAsideWhy': null
  'grading.setAside': null
  'grading.settingAside': null
  'grading.appealThisMark': null
  'grading.appealSays': null
  'grading.appealWhat': null
  'grading.appeal': null
  'grading.appealing': null
  'grading.appealedOn': { name: Said; date: Said; text: Said }
  'grading.appealWaits': null
  'grading.appealSecond': { assessor: Said }
  'grading.readSecond': null
  'grading.decideAppeal': null
  'grading.decideSays': null
  'grading.whichCounts': null
  'grading.firstCounts': null
  'grading.secondCounts': null
  'grading.decideWhy': null
  'grading.decide': null
  'grading.deciding': null
  'grading.appealDecided': { by: Said; date: Said; counts: string; reason: Said }
  'grading.markItYourself': null
  'grading.appealed': null
  'grading.markSetAside': null
  'help.floor': null
  'help.floorApprentice': null
  'help.day': null
  'help.calendar': null
  'help.calendarApprentice': null
  'help.room': null
  'help.people': null
  'help.checkIn': null
  'help.setUp': null
  'help.tableSheet': null
  'help.closing': null
  'help.table': null
  'help.tableApprentice': null
  'help.tableEnd': null
  'help.settings': null
  'help.supply': null
  'help.wall': null
  'help.apprentices': null
  'help.apprentice': null
  'help.dogs': null
  'help.dog': null
  'help.profile': null
  'help.adviser': null
  'help.coats': null
  'help.coatNow': null
  'help.coatWhatIf': null
  'help.coatWorkBack': null
  'help.coatGrowOut': null
  'help.coatBook': null
  'help.coatNextVisit': null
  'help.trims': null
  'help.trim': null
  'help.measure': null
  'help.techniques': null
  'help.standards': null
  'help.standard': null
  'help.draft': null
  'help.plates': null
  'help.plate': null
  'help.rack': null
  'help.houseRules': null
  'help.rules': null
  'help.assessments': null
  'help.assessment': null
  'help.passMarks': null
  'help.trail': null
  'help.backups': null
  'help.certify': null
  'help.finding': null
  'help.glossary': null
  'help.portfolio': null
  'help.portfolioPage': null
  'help.check': null
  'library.any': null
  'library.shortBarHowExactOne': { number: Said; unit: Said; number2: Said }
  'library.instrumentTooCoarseReadsWithin': { number: Said; unit: Said; number2: Said }
  'library.upHigh': { high: Said }
  'library.lowOrMore': { low: Said }
  'library.fromLowHigh': { low: Said; high: Said }
  'library.underNumber': { number: Said }
  'library.overNumber': { number: Said }
  'library.grownOutNumberMm': { number: Said }
  'library.fullMarksFullUnitNone': { full: Said; unit: Said; none: Said; grown: Said }
  'library.twoVersionsSame': null
  'library.oneDifference': null
  'library.nDifferences': { n: Said }
  'library.nBetweenFrom': { n: Said; from: Said; to: Said }
  'library.was': null
  'library.is': null
  'library.nowRemoved': null
  'library.new': null
  'library.name': null
  'library.howAnswered': null
  'library.calculated': null
  'library.comparesTwoSides': null
  'library.sides': null
  'library.once': null
  'library.leftRightHalfWeightEach': null
  'library.photograph': null
  'library.notReadFromPhotograph': null
  'library.headFromFront': null
  'library.profile': null
  'library.saysUnit': { says: Said; unit: Said }
  'library.targetMm': null
  'library.grownOutMm': null
  'library.targetUnit': { unit: Said }
  'library.typicalName': { name: Said }
  'library.fullMarksFrom': null
  'library.fullMarks': null
  'library.noMarksBelow': null
  'library.noMarksAbove': null
  'library.instrument': null
  'library.nameGiveOrTakeUMm': { name: Said; uMm: Said; readings: Said }
  'library.levelI': { i: Said }
  'library.weight': null
  'library.section': null
  'library.seenFrom': null
  'library.placeDog': null
  'library.whereExactly': null
  'library.mm': null
  'library.value': null
  'library.faultWordingKindReplacedNumber': { kind: Said }
  'library.howCorrect': null
  'library.canCorrectedDay': null
  'library.praiseWhenMet': null
  'library.lengthReadGauge': null
  'library.differenceMeasured': null
  'library.calculatedFromReadings': null
  'library.leftComparedRight': null
  'library.judgedFiveLevels': null
  'library.n4Should': null
  'library.passMark': null
  'library.standardTimeMinutes': null
  'library.bodyType': null
  'library.drawnShapes': null
  'library.sectionMinimumsNoSectionMay': null
  'library.faultsLimitMarkWhat': null
  'library.anotherCriticalFault': null
  'library.anotherCriticalFault2': null
  'library.add': null
  'library.instrumentsHowExactOneReading': null
  'library.nameGiveOrTakeMm': { name: Said }
  'library.nameReadings': { name: Said }
  'library.anotherInstrument': null
  'library.anotherInstrument2': null
  'library.whatDefines': null
  'library.whatDefinesI': { i: Said }
  'library.typicalFault': null
  'library.houseRules': null
  'library.whereGroomersDifferHowSchool': null
  'library.changesApplyFromNowExisting': null
  'library.onlyLeadAssessorCanChange': null
  'library.everyGradingRecordsWhichRule': { isLead: Said }
  'library.whenTrimPasses': null
  'library.strippedCoatsWhatCountsLight': null
  'library.noLimit': null
  'library.orEmptyNoLimit': null
  'library.labelTypedMustLowHigh': { label: Said; typed: Said; low: Said; high: Said; open: Said }
  'library.work': null
  'library.labelWork': { label: Said }
  'library.tool': null
  'library.labelTool': { label: Said }
  'library.chooseOne': null
  'library.direction': null
  'library.labelDirection': { label: Said }
  'library.howMuchPulled': null
  'library.labelHowMuch': { label: Said }
  'library.leavesMmEmptyWhereOnly': null
  'library.step': null
  'library.labelStep': { label: Said }
  'library.nameNotStepTrim': { name: Said }
  'library.whereFewWords': null
  'library.onlyUnderHouseRule': null
  'library.labelHouseRule': { label: Said }
  'library.always': null
  'library.or': null
  'library.labelRemoveId': { label: Said; id: Said }
  'library.labelRemove': { label: Said }
  'library.labelOr': { label: Said }
  'library.addAlternativeTool': null
  'library.editTrim': null
  'library.showDog': null
  'library.figureCannotShowOneSee': null
  'library.touchDogOrCriterionDog': null
  'library.standard': null
  'library.draftVersionVersion': { version: Said; by: Said }
  'library.notUsedGradingYet': null
  'library.fromIdVersion': { id: Said; version: Said }
  'library.refusedWhatYouTypedStill': { refused: Said }
  'library.draftAlsoChangedAnotherDevice': null
  'library.readyUseRight': { right: Said }
  'library.namePassMarkFloorsCaps': null
  'library.stepsOrder': null
  'library.whatDoneEachPlacePass': null
  'library.weightWeight': { weight: Said }
  'library.moveUp': null
  'library.moveDown': null
  'library.remove': null
  'library.shareMarks': { share: Said }
  'library.addCriterion': null
  'library.undo': null
  'library.discard': null
  'library.bringIntoUse': null
  'library.onlyLeadAssessorCanBring': null
  'library.deletesDraftStandardStays': null
  'library.discardDraft': null
  'library.leftSide': null
  'library.undoLastChange': null
  'library.trimLibrary': null
  'library.trimsSchoolTeachesGrades': null
  'library.eachDrawnScaleFromNumbers': null
  'library.techniques': null
  'library.plates': null
  'library.importFromFile': null
  'library.nameFromSide': { name: Said }
  'library.labelStandardMinMinCriteriaCriteria': { label: Said; standardMin: Said; criteria: Said }
  'library.versionVersion': { version: Said }
  'library.ourOwn': null
  'library.newVersionDraft': null
  'library.noLongerPlanned': null
  'library.nameSizeMbMust1': { name: Said; size: Said }
  'library.nameNotJsonFileNothing': { name: Said }
  'library.labelWithersMmMmName': { label: Said; withersMm: Said; name: Said }
  'library.gradedSideSide': null
  'library.whatDefines2': null
  'library.grownOutGrownOutMmMm': { grownOutMm: Said }
  'library.instrumentWeightWeight': { instrument: Said; weight: Said }
  'library.bestLevels': { levels: Said }
  'library.lengthLeftMmLengths': { lengths: Said }
  'library.versionVersionAboutStandardMinMinutes': { version: Said; standardMin: Said; passMark: Said }
  'library.gradedGraded': { graded: Said }
  'library.noLongerOfferedExistingGradings': null
  'library.typicalFault2': null
  'library.houseRulesOwnersWishes': null
  'library.schoolsRuleShownPlate': null
  'library.minutesMinApart': { minutes: Said; apart: string }
  'library.wallChartPdf': null
  'library.editVersionNewest': { newest: Said }
  'library.makeOurOwnTrimFrom': null
  'library.downloadJson': null
  'library.offerAgain': null
  'library.stopOffering': null
  'library.ourOwnTrim': null
  'library.ourShortSummerTrim': null
  'library.startsCopyNameNotUsed': { name: Said }
  'library.start': null
  'library.nameVersionComparingShownVersion': { name: Said; comparing: Said; shownVersion: Said }
  'library.versionComparing': { comparing: Said }
  'library.drawingChart': null
  'library.chartYourDownloads': null
  'library.minutes': null
  'library.timedSeparatelyNotTrimsMinutes': null
  'library.toolLabel': { label: Said }
  'library.noTool': null
  'library.directionLabel': { label: Said }
  'library.with': null
  'library.against': null
  'library.labelMoveUp': { label: Said }
  'library.labelMoveDown': { label: Said }
  'library.labelRemove2': { label: Said }
  'library.addStep': null
  'library.addStep2': null
  'library.stepI': { i: Said }
  'library.look': null
  'library.cleanWhen': null
  'library.figureFirst': null
  'library.usualMinutes': null
  'library.whatGoesWrong': null
  'library.fault': null
  'library.faultI': { i: Said }
  'library.cause': null
  'library.causeFaultI': { i: Said }
  'library.cure': null
  'library.cureFaultI': { i: Said }
  'library.majorAttemptFaultNotClean': null
  'library.addFault': null
  'library.whereCanHurt': null
  'library.what': null
  'library.hazardI': { i: Said }
  'library.caution': null
  'library.cautionI': { i: Said }
  'library.holdPointInstructorMustPresent': null
  'library.addCaution': null
  'library.becomesVersionVersionEarlierVersions': { version: Said }
  'library.saveOurVersion': null
  'library.pathGotMustLimit': { path: Said; got: Said; limit: Said }
  'library.holdPoint': null
  'library.instructorStaysUntilApprenticeSafe': null
  'library.major': null
  'library.cure2': null
  'library.findTechniqueFaultOrPlace': null
  'library.tailBandHoleEarEdge': null
  'library.nothingFoundTypedTryPlace': { typed: Said }
  'library.levelLevel': { level: Said }
  'library.allTechniques': null
  'library.nTechniquesFiveFamiliesHow': { n: Said }
  'library.n1Found': null
  'library.nFound': { n: Said }
  'library.findList': null
  'library.makeOurOwnVersion': null
  'library.familyLevelLevelAboutUsualMinutes': { family: Said; level: Said; usualMinutes: Said }
  'library.tools': { tools: Said }
  'library.after': null
  'library.whereDogX': { x: Said }
  'library.theseTrims': null
  'library.leadsLeadsTo': { leadsTo: Said }
  'library.commonPracticeLocalAnimalWelfare': null
  'library.nameOurVersion': { name: Said }
  'library.nameVersionComparingVersion': { name: Said; comparing: Said; version: Said }
  'library.versionVersion2': { version: Said }
  'library.kind': null
  'library.label': null
  'library.leavesGrowthMm': null
  'library.fractionInch': null
  'library.toothing': null
  'library.notGiven': null
  'library.finish': null
  'library.skip': null
  'library.adjustableSet': null
  'library.notAdjustable': null
  'library.goesOver': null
  'library.houseRule': null
  'library.note': null
  'library.save': null
  'library.combAttachment': null
  'library.pullingCarding': null
  'library.brushOrComb': null
  'library.rack': null
  'library.whatEachToolLeaves': null
  'library.undoUndo': { undo: Said }
  'library.addTool': null
  'library.importTable': null
  'library.importRackFromCsvFile': null
  'library.exportTable': null
  'library.inches': null
  'library.mm2': null
  'library.lengthsUnit': { unit: Said }
  'library.growth': null
  'library.againstGrowth': null
  'library.againstGrowthBladeLeavesLength': null
  'library.toolsWithoutSetLength': null
  'library.notAllowed': null
  'library.added': null
  'library.goneRemoved': { gone: Said }
  'library.fileSizeMbMustMostmb': { size: Said; mostmb: Said }
  'library.versions': null
  'library.date': { by: Said; date: Said }
  'library.suppliedPeen': null
  'library.compare': null
  'library.shown': null
  'library.notWrittenYet': null
  'library.whatDone': null
  'library.nameWhatDone': { name: Said }
  'library.whichPart': null
  'library.lengthLeftHereMm': null
  'library.passK': { k: Said }
  'library.namePassKRemove': { name: Said; k: Said }
  'library.namePassK': { name: Said; k: Said }
  'library.addPass': null
  'library.removePart': null
  'library.addPartPlace': null
  'library.anotherPart': null
  'library.then': null
  'library.whatDoneEachPlace': null
  'library.leftAloneCombedThrough': null
  'library.leavesLeavesMmMm': { leavesMm: Said }
  'library.coatLeftAboutStandsMmMm': { standsMm: Said }
  'library.whatLook': null
  'library.usualMinutes2': null
  'library.standardTimeMinutes2': null
  'library.passMark2': null
  'library.bodyType2': null
  'library.targetMm2': null
  'library.grownOutMm2': null
  'library.measuringErrorMm': null
  'library.sharedMeasuringErrorMm': null
  'library.whatDone2': null
  'library.leavesMm': null
  'library.coatLeftMm': null
  'library.lengthMm': null
  'library.typicalFault3': null
  'library.comesAfter': null
  'library.figure': null
  'library.cleanWhen2': null
  'library.holdPoint2': null
  'library.missing': null
  'library.nThem': { n: Said }
  'library.notDone': null
  'library.goodOneThingLeft': null
  'library.should': null
  'library.mmMmOut': null
  'library.sayHowCorrect': null
  'library.mmMm': null
  'library.valueUnit': { unit: Said }
  'library.sayWhere': null
  'library.sayWhatGoodWhenMet': null
  'library.upNumberUnit': { number: Said; unit: Said }
  'library.numberUnitOrMore': { number: Said; unit: Said }
  'library.numberNumber2Unit': { number: Said; number2: Said; unit: Said }
  'library.judged04': null
  'library.sidesWithinNumberMm': { number: Said }
  'library.numberMmBand': { number: Said; band: Said }
  'library.eyeHand': null
  'library.calculatedFromBothSides': null
  'library.coatBooksDatesWarningsAllow': null
  'library.coatBooksDatesWarningsAllow2': null
  'library.nailsComeWhereTrimHas': null
  'library.nailsComeAfterLastWork': null
  'library.cleanFeetClippedOnceOver': null
  'library.cleanFeetClippedOnceAfter': null
  'library.everyCombGoesOver30': null
  'library.everyCombGoesOver10': null
  'library.strippedDogHeadTransitionsCome': null
  'library.roundHeadVisorComesFirst': null
  'library.roundHeadFringeJawStrip': null
  'library.roundHeadEyesCrownCome': null
  'library.noKnifeOfferedPulling': null
  'library.chalkListThingsLayOut': null
  'library.fingerCotsListThingsLay': null
  'library.fingerCotsNotListThings': null
  'library.sprayLaidOutLongCoats': null
  'library.sprayLaidOutEveryDog': null
  'library.adjustableBladesOfferedAfterBlades': null
  'library.noAdjustableBladeOfferedNicks': null
  'library.noHairPulledFromHealthy': null
  'library.bandMeasuredFromPinBones': null
  'library.bandMeasured2Comb50': null
  'library.changesNameSays': { name: Said; says: Said }
  'library.changesAdviceSay': { say: Said }
  'library.changesNoLengthNoTool': null
  'library.informsShownStepShown': { informs: Said; shown: Said }
  'library.leftAlone': null
  'library.nTrims': { n: number }
  'library.noMarks': null
  'library.fullFrom': null
  'library.full': null
  'library.grownOut': null
  'library.combOverBlade': null
  'library.thinOrBlend': null
  'library.tapEdgeOff': null
  'library.bevelBladesEdge': null
  'library.bandOrWrap': null
  'library.growth2': null
  'library.againstGrowth2': null
  'library.awayFromAnus': null
  'library.offEdgeOntoFinger': null
  'library.rightAngle': null
  'library.bladesEdgeOnly': null
  'library.everythingComes': null
  'library.longestLayer': null
  'library.tips': null
  'library.n25MmStripBorder': null
  'library.workedPassPass': null
  'library.coatLeft': null
  'library.workNotRightYetN': { n: number; say: Said }
  'library.aboutStandardMinMinutesPassMark': { standardMin: Said; passMark: Said; version: Said }
  'library.typicalFaultName': { name: Said }
  'library.commonPracticeSchoolsHouseRules': null
  'library.nicksRecorded': { n: number }
  'library.blade': null
  'library.scissors': null
  'library.level': null
  'library.pass': null
  'library.how': null
  'library.tool2': null
  'library.clip': null
  'library.scissor': null
  'library.card': null
  'library.pull': null
  'library.exactlyRightPasses': { mark: Said }
  'library.exactlyRightFails': { outcome: Said }
  'library.cannotBePrinted': { word: Said }
  'library.setTo': { one: Said }
  'library.problemsBeforeUse': { n: number }
  'measure.measuring': null
  'measure.left': null
  'measure.right': null
  'measure.ownDeg': { deg: Said }
  'measure.headTurnedNumberDegreesDeg': { number: Said; deg: Said; number2: Said }
  'measure.numberUnitGiveOrTake': { number: Said; unit: Said; number2: Said; from: Said }
  'measure.previousPictureGaveNumber': { number: Said }
  'measure.notMeasuredYet': null
  'measure.distanceFromBetweenEyesClock': null
  'measure.mmMm': { mm: Said }
  'measure.plannedPlannedMm': { plannedMm: Said }
  'measure.lengthsFromDogsSkinLine': null
  'measure.criterionIdNumberMmGiveOr': { criterionId: Said; number: Said; number2: Said }
  'measure.whereLengthsShow': null
  'measure.outside': null
  'measure.inside': null
  'measure.numberMmByMmPlan': { number: Said; byMm: Said }
  'measure.pictureShowsShapeOnlyGauge': null
  'measure.doubtsNothingMeasuredUntilYou': { doubts: Said }
  'measure.findOutlineFirst': null
  'measure.outline': null
  'measure.drawnLine': null
  'measure.notSeenFromHere': null
  'measure.fromDogsSkinLine': null
  'measure.cannotMeasuredHereUseGauge': null
  'measure.namePhotographsName2': { name: Said; name2: Said }
  'measure.photographs': null
  'measure.picturesTrim': null
  'measure.criterion': null
  'measure.criteria': null
  'measure.filledEnteredSheet': { filled: Said }
  'measure.keptLeftReadHand': { kept: Said }
  'measure.anotherPicture': null
  'measure.gradeSheet': null
  'measure.enterSheet': null
  'measure.seenRightPose': { seen: Said }
  'measure.likeRulerStandingBesideDog': null
  'measure.newPictureReplacesOneSheet': null
  'measure.headFromFront': null
  'measure.leftProfile': null
  'measure.rightProfile': null
  'measure.nextPicture': null
  'measure.previousPicture': null
  'measure.enterPicturesMeasurementsGradeSheet': null
  'measure.findingOutlineStep': { step: Said }
  'measure.stop': null
  'measure.outlineFound': null
  'measure.notSureDoubt': { doubt: Said }
  'measure.findOutline': null
  'measure.howCorrect': null
  'measure.brush': null
  'measure.n': { n: number; n2: number; n3: number }
  'measure.touchBackdrop': null
  'measure.paintDog': null
  'measure.paintBackdrop': null
  'measure.edgeRunsHere': null
  'measure.fitShape': null
  'measure.touchEye': null
  'measure.touchTailRoot': null
  'measure.touchEyeLeftInPicture': null
  'measure.touchOtherEye': null
  'measure.byColoursAgain': null
  'measure.tryFitShape': null
  'measure.shapeNeedsPeen': null
  'measure.checkAllWayRoundWhere': null
  'measure.idleTouches': { count: number }
  'measure.touchAnyWallOrTable': null
  'measure.paintOverAnyDogLeft': null
  'measure.paintOverAnythingMistakenDog': null
  'measure.touchWhereEdgeCoatReally': null
  'measure.look': null
  'measure.photographMarks': null
  'measure.zoom': null
  'measure.zoomOut': null
  'measure.wholePicture': null
  'measure.picture': null
  'measure.openingPicture': null
  'measure.whatPictureShows': null
  'measure.stepsPicture': null
  'measure.undo': null
  'measure.explainSave': null
  'measure.nextName': { name: Said }
  'measure.n1Scale': null
  'measure.n2Outline': null
  'measure.n3Places': null
  'measure.n4Found': null
  'measure.moveSelectedPointOnePixel': null
  'measure.moveSelectedPointOnePixel2': null
  'measure.moveSelectedPointOnePixel3': null
  'measure.moveSelectedPointOnePixel4': null
  'measure.moveSelectedPointTenPixels': null
  'measure.moveSelectedPointTenPixels2': null
  'measure.moveSelectedPointTenPixels3': null
  'measure.moveSelectedPointTenPixels4': null
  'measure.nextStepPicture': null
  'measure.previousStep': null
  'measure.allPointsRight': null
  'measure.undoLastMark': null
  'measure.pictureExplained': null
  'measure.pictureCouldNotDrawnHere': null
  'measure.nothingHereDiffersFromTrim': null
  'measure.solidVioletLongerThanPlanned': null
  'measure.savePng': null
  'measure.noCriterionTrimNeedsPoint': null
  'measure.dashedPointsSuggestionsDragEach': null
  'measure.everyPointPlacedOrConfirmed': null
  'measure.giveOrTakeUnitStandard': { unit: Said }
  'measure.linesDraw': null
  'measure.nLeastLeastlinepoints': { n: Said; leastlinepoints: Said }
  'measure.touchFiveOrMorePlaces': null
  'measure.placeOneThenMove': null
  'measure.drawAgain': null
  'measure.touchPicture': null
  'measure.touchTopEndRulerPicture': null
  'measure.nowTouchBottomEnd': null
  'measure.accurateNumber': { number: Said }
  'measure.dragEndsCorrect': null
  'measure.numberPixelsPerMillimetre': { number: Said }
  'measure.correctedNumberDepth': { number: Said }
  'measure.whatScale': null
  'measure.lengthMm': null
  'measure.cameraDogMm': null
  'measure.behindEyesMm': null
  'measure.behindSpineMm': null
  'measure.giveOrTakeMm': null
  'measure.eyes': null
  'measure.spine': null
  'measure.frontSeenLessThanZero': { seen: Said }
  'measure.uprightUseLevelPicture': null
  'measure.checkLengthDragEnds': null
  'measure.checkSecondLength': null
  'measure.placeAgain': null
  'measure.long': null
  'measure.short': null
  'measure.measuresNumberMmNumber2Mm': { number: Said; number2: Said; offMm: Said }
  'measure.placeBothEndsThenMove': null
  'measure.moveTopEnd': null
  'measure.moveBottomEnd': null
  'measure.withoutScaleOnlyRatiosAngles': null
  'measure.ruler': null
  'measure.combKnownLength': null
  'measure.board': null
  'measure.howDogMustStand': null
  'measure.dogAloneNoPeoplesFaces': null
  'measure.taking': null
  'measure.takeAgainTableCamera': null
  'measure.takeTableCamera': null
  'measure.takeTablet': null
  'measure.choosePicture': null
  'measure.pictureSeen': { seen: Said }
  'measure.headStraightNoseLineMiddle': null
  'measure.cameraLevelEyesMetreAway': null
  'measure.combUpEarsTheyJudged': null
  'measure.dogsSideSideCameraSquare': { side: Said }
  'measure.cameraLevelMiddleBodyTwo': null
  'measure.postLoopOutWayIf': null
  'measure.dogDoesNotStandOut': null
  'measure.tooLittle': null
  'measure.shapeFoundDoesNotLook': { x: Said }
  'measure.lookingBackdrop': null
  'measure.separatingDogFromBackdrop': null
  'measure.removingPostStrap': null
  'measure.followingCoatsEdge': null
  'measure.pictureCannotOpenedTakeAnother': null
  'measure.places': null
  'measure.fine': null
  'measure.middle': null
  'measure.broad': null
  'measure.scaleTooShort': { got: Said }
  'measure.rulerBesideHead': null
  'measure.rulerAtMiddle': null
  'measure.feedbackFor': { dog: Said }
  'measure.feedbackFrom': { apprentice: Said; assessor: Said; onDate: Said }
  'measure.doneWell': null
  'measure.mendAtTheTable': null
  'measure.onThePictures': null
  'measure.nextTime': null
  'measure.lookAgainBeforeEachCut': null
  'measure.nothingToPutOnSheet': null
  'measure.feedbackSheetPdf': null
  'measure.makingFeedbackSheet': null
  'measure.moreThanPlanned': { mm: Said }
  'measure.lessThanPlanned': { mm: Said }
  'measure.outlineUnsure': { n: number }
  'measure.boardFound': { seen: Said; all: Said }
  'measure.boardCameraLooks': { pitch: Said; upOrDown: string; yaw: Said; side: string }
  'measure.boardLine': { mm: Said }
  'measure.boardLineWhy': null
  'measure.boardByHand': null
  'measure.boardLooking': null
  'measure.boardPartly': null
  'measure.boardTilted': { got: Said }
  'measure.boardLook': null
  'measure.boardSaves': null
  'measure.boardPrintIt': null
  'measure.boardTitle': null
  'measure.boardLargeFoot': { mm: Said }
  'measure.boardSmallFoot': { mm: Said }
  'measure.boardHow': null
  'measure.boardPrint': null
  'measure.boardCheck': { large: Said; small: Said }
  'measure.boardGlue': null
  'measure.boardStand': null
  'measure.boardWhole': null
  'measure.boardCameraLevel': null
  'measure.liveTitle': null
  'measure.liveTake': null
  'measure.liveLevel': null
  'measure.liveLooks': { deg: Said; way: string; rolled: number; side: string }
  'measure.liveNoSensor': null
  'measure.liveRefused': null
  'measure.placeHow': { how: string; u: Said; unit: Said }
  'measure.pointsHowSure': null
  'measure.front': null
  'measure.rear': null
  'measure.above': null
  'measure.frontDogStands': null
  'measure.frontCamera': null
  'measure.frontRuler': null
  'measure.rearDogStands': null
  'measure.rearCamera': null
  'measure.rearRuler': null
  'measure.rearTail': null
  'measure.aboveDogStands': null
  'measure.aboveCamera': null
  'measure.aboveRuler': null
  'measure.aboveWall': null
  'measure.likeMatBesideDog': null
  'measure.behindFrontFeetMm': null
  'measure.behindHindFeetMm': null
  'measure.belowRibsMm': null
  'measure.frontFeet': null
  'measure.hindFeet': null
  'measure.belowZeroFeet': { feet: Said }
  'measure.aboveZeroRibs': null
  'measure.middlePointsByHand': null
  'measure.newPictureMayAverage': null
  'measure.averageEarlier': { n: number }
  'measure.averageOnlyUncut': null
  'measure.meanOfPictures': { n: Said; scatter: Said; unit: Said }
  'measure.viewTaken': { view: Said; isTaken: string }
  'measure.bothSides': null
  'measure.sidesAlike': { name: Said; mm: Said }
  'measure.sideStandsOut': { name: Said; mm: Said; side: string; u: Said }
  'measure.layOtherOver': null
  'measure.n3CameOff': null
  'measure.beforeTheTrim': null
  'measure.beforeAndAfter': null
  'measure.noBeforePicture': null
  'measure.measureBefore': null
  'measure.measureAfter': null
  'measure.openBefore': null
  'measure.openAfter': null
  'measure.standsOutNote': null
  'measure.nothingCompared': null
  'measure.cutOff': { name: Said; mm: Said; within: Said }
  'measure.cutOffUnsure': { names: Said }
  'measure.standsOutNow': { name: Said; mm: Said; within: Said }
  'measure.aMonth': { mm: Said }
  'measure.sinceLastTrim': { day: Said; days: number }
  'measure.layBeforeOver': null
  'measure.layAfterOver': null
  'paper.certificate': null
  'paper.ofPractice': null
  'paper.number': null
  'paper.issuedOn': null
  'paper.validUntil': null
  'paper.forGood': null
  'paper.signedBy': null
  'paper.check': null
  'paper.checkAt': { address: Said }
  'paper.code': null
  'paper.fingerprint': null
  'paper.noAddress': null
  'paper.trail': null
  'paper.covers': null
  'paper.evidenceOf': { number: Said; holder: Said }
  'paper.rule': null
  'paper.shownBy': null
  'paper.since': null
  'paper.pageOf': { page: Said; pages: Said }
  'paper.lead': null
  'paper.instructor': null
  'paper.version': { name: Said; version: Said }
  'paper.rules': null
  'paper.trims': null
  'paper.date': null
  'paper.trim': null
  'paper.assessor': null
  'paper.mark': null
  'paper.markBetween': { mark: Said; low: Said; high: Said }
  'paper.technique': null
  'paper.attempts': null
  'paper.ready': null
  'paper.cleanOf': { clean: Said; attempts: Said }
  'paper.intervals': null
  'paper.techniquesOn': { date: Said }
  'people.backups': null
  'people.peenMakesOneEveryNight': null
  'people.peenBacksUpDemoOnly': null
  'people.isNightlyTestRestoresProveWorks': { isNightly: Said; folder: Said }
  'people.copiesSecond': { second: Said }
  'people.moveSchoolAnotherComputerChoose': null
  'people.theyCanOnlyRestoredComputer': null
  'people.npmRunBackupDemoPassphrase': { demo: Said }
  'people.backUpNow': null
  'people.availableBackups': null
  'people.noneYet': null
  'people.restoreSchoolClosePeenRun': null
  'people.computerOrAnotherOne': null
  'people.npmRunRestoreDemoFile': { demo: Said }
  'people.importCohort': null
  'people.noOneCanAddedYet': null
  'people.csvFileColumnsGivenNameFamilyName': null
  'people.cohort': null
  'people.cohorts': null
  'people.newNStartingTodayNewCohorts': { n: Said; newCohorts: Said }
  'people.eraseGivenNameFamilyName': { givenName: Said; familyName: Said }
  'people.deletedGood': null
  'people.kept': null
  'people.firstCheckHowLongLaw': null
  'people.erasing': null
  'people.eraseGood': null
  'people.copied': null
  'people.copyAddress': null
  'people.hideCode': null
  'people.showQrCode': null
  'people.qrCodeAddress': { address: Said }
  'people.people': null
  'people.nPeople': { n: number }
  'people.cannotSignYetUnsettled': { unsettled: Said }
  'people.samePersonOtherAccounts': { otherAccounts: Said }
  'people.confirm': null
  'people.notes': null
  'people.aboutGivenName': { givenName: Said }
  'people.secondAccount': null
  'people.givenName': { givenName: Said }
  'people.newLetter': null
  'people.newPassword': null
  'people.retire': null
  'people.reinstate': null
  'people.erase': null
  'people.cohorts2': null
  'people.fromDate': { date: Said }
  'people.date': { date: Said }
  'people.change': null
  'people.cohort2': null
  'people.started': null
  'people.ended': null
  'people.saveCohort': null
  'people.staffAccounts': null
  'people.newOrResetAccountCannot': { waithours: Said }
  'people.letters': null
  'people.peenSendsNoEmailLetters': null
  'people.noAddress': null
  'people.inviteLetter': null
  'people.writeLetter': null
  'people.confirmGivenName': { givenName: Said }
  'people.person': null
  'people.youHaveMetGivenNamePerson': { givenName: Said }
  'people.accountCanSignWaithoursHours': { waithours: Said }
  'people.iHaveMetThem': null
  'people.confirming': null
  'people.retireGivenName': { givenName: Said }
  'people.givenNameCanNoLongerSign': { givenName: Said }
  'people.recordGradingsSignaturesStayLead': null
  'people.retiring': null
  'people.firstName': null
  'people.lastName': null
  'people.username': null
  'people.emailAddress': null
  'people.erasedErasedOn': { erasedOn: Said }
  'people.invitedNotJoinedYet': null
  'people.youHaveConfirmedGivenNameAccount': { givenName: Said; waithours: Said }
  'people.formerColleague': null
  'people.theyNowCountOnePerson': null
  'people.theyCountTwoPeopleAgain': null
  'people.givenNameRetiredRecordStays': { givenName: Said }
  'people.givenNameReinstated': { givenName: Said }
  'people.nameSaved': { name: Said }
  'people.countAddedLettersWritten': { count: Said }
  'people.letterWritten': null
  'people.role': null
  'people.givenNameSSecondAccount': { givenName: Said }
  'people.twoAccountsOnePersonGrade': null
  'people.notSamePerson': null
  'people.samePersonsOtherAccount': null
  'people.chooseAccount': null
  'people.samePerson': null
  'people.auditTrail': null
  'people.auditTrailHasNotBeen': null
  'people.checkedLastEntriesEntries': { last: Said; entries: Said }
  'people.whatChanged': null
  'people.lastEntry': null
  'people.printOrWriteDownKeep': null
  'people.checking': null
  'people.checkNow': null
  'people.print': null
  'people.earlierChecks': null
  'people.whole': null
  'people.notWhole': null
  'people.wholeEntriesEntries': { whole: Said; entries: Said }
  'people.nightly': null
  'people.hand': null
  'people.beforeUpdate': null
  'people.beforeRestore': null
  'people.bytesMb': { bytes: Said }
  'people.notProvenTestRestoreDid': null
  'people.auditTrailIntact': null
  'people.butAuditTrailDoesNot': null
  'people.everyChartSame': null
  'people.butSomeChartsComeOut': null
  'people.chartsRecalculated': null
  'people.proven': null
  'people.notProven': null
  'people.serverMakesNoBackupsWhoever': null
  'people.noBackupHasSucceededYet': null
  'people.thereNoBackupYet': null
  'people.lastProvenBackupOldWhenLast': { whenLast: Said }
  'people.backedUpProvenWhenLast': { whenLast: Said }
  'people.testRestored': { proven: Said; visits: number; trail: Said; charts: Said }
  'people.ofPeople': { n: number }
  'people.addAllWithLetters': { n: number }
  'people.doNotErase': null
  'people.erased': null
  'people.signingKeys': null
  'people.signingKeysSay': null
  'people.noKeyYet': null
  'people.keyInUse': { date: Said }
  'people.keyEnded': { date: Said; reason: Said }
  'people.keyStolen': { date: Said }
  'people.keyMissing': null
  'people.keyCertificates': { n: number }
  'people.makeNewKey': null
  'people.newKeyTitle': null
  'people.newKeySays': null
  'people.newKeyWhy': null
  'people.newKeyStolen': null
  'people.makingKey': null
  'people.keyList': null
  'people.revokedList': null
  'portfolio.of': { holder: Said }
  'portfolio.portfolio': null
  'portfolio.certificates': null
  'portfolio.trims': null
  'portfolio.charts': null
  'portfolio.until': { date: Said }
  'portfolio.numberIssued': { number: Said; date: Said }
  'portfolio.checkCode': { number: Said; code: Said }
  'portfolio.checkAt': { address: Said; number: Said; code: Said }
  'portfolio.checkIt': null
  'portfolio.expired': null
  'portfolio.revoked': null
  'portfolio.trimSays': { dog: string; coat: Said; date: Said; mark: Said; low: Said; high: Said; assessor: Said }
  'portfolio.chartSays': { clean: Said; attempts: Said; limit: Said }
  'portfolio.certificateLine': { name: Said; number: Said; date: Said }
  'portfolio.whoReads': null
  'portfolio.whoReadsSays': null
  'portfolio.yourName': null
  'portfolio.open': null
  'portfolio.opening': null
  'portfolio.endsOn': { date: Said }
  'portfolio.seenOne': { moment: string; stance: string }
  'portfolio.picturesOf': { trim: Said; moment: string; stance: string }
  'portfolio.yours': null
  'portfolio.yoursSays': null
  'portfolio.make': null
  'portfolio.forWhom': null
  'portfolio.lastDay': null
  'portfolio.noCertificates': null
  'portfolio.noTrims': null
  'portfolio.noCharts': null
  'portfolio.notYet': { count: number }
  'portfolio.markOn': { trim: Said; date: Said; mark: Said }
  'portfolio.pictureCount': { count: number }
  'portfolio.attempts': { count: number }
  'portfolio.withPictures': null
  'portfolio.noNames': null
  'portfolio.making': null
  'portfolio.ready': null
  'portfolio.copy': null
  'portfolio.copied': null
  'portfolio.made': null
  'portfolio.none': null
  'portfolio.file': null
  'portfolio.takeBack': null
  'portfolio.takeBackTitle': null
  'portfolio.takeBackSays': { title: Said }
  'portfolio.isOpen': { date: Said }
  'portfolio.hasEnded': { date: Said }
  'portfolio.wasTakenBack': null
  'portfolio.countCertificates': { count: number }
  'portfolio.countTrims': { count: number }
  'portfolio.countCharts': { count: number }
  'portfolio.openedBy': { reader: Said; when: Said }
  'portfolio.notOpened': null
  'portfolio.nameOutside': null
  'portfolio.toPortfolio': null
  'shell.noAnswer': null
  'shell.peenNotAnswering': null
  'shell.peenNotAnsweringSoNot': null
  'shell.refused': null
  'shell.peensAnswerCouldNotRead': null
  'shell.somethingWentWrongPage': null
  'shell.notYet': null
  'shell.mainMenu': null
  'shell.search': null
  'shell.me': null
  'shell.handOver': null
  'shell.signOut': null
  'shell.myRecord': null
  'shell.yourSettings': null
  'shell.apprentices': null
  'shell.certify': null
  'shell.readyByDate': null
  'shell.calendar': null
  'shell.floor': null
  'shell.dogs': null
  'shell.trims': null
  'shell.coat': null
  'shell.choose': null
  'shell.drawnDogPressTabReach': null
  'shell.drawDogs': null
  'shell.deviceOnlyPlainShapesQuicker': null
  'shell.yourSettingsUnitsThemeText': null
  'shell.workedStandardMinutesWorkedCanStand': { worked: Said; standard: Said; canStand: Said }
  'shell.labelTextMustLengthSuch': { label: Said; text: Said }
  'shell.notes': null
  'shell.noneYet': null
  'shell.struckReason': { by: Said; reason: Said }
  'shell.strikeOut': null
  'shell.whyStrikeOut': null
  'shell.why': null
  'shell.strike': null
  'shell.date': null
  'shell.note': null
  'shell.saveNote': null
  'shell.enterYourPassword': null
  'shell.youOpenedTabletYourPin': null
  'shell.givenNameSPassword': { givenName: Said }
  'shell.continue': null
  'shell.personDogVisitTrimOr': null
  'shell.nothingFoundName': null
  'shell.close': null
  'shell.choiceSide': { choice: Said }
  'shell.useAllFromName': { name: Said }
  'shell.tablet': null
  'shell.otherDevice': null
  'shell.youWillSeeEverythingBefore': null
  'shell.chooseFile': null
  'shell.use': null
  'shell.undoLabel': { label: Said }
  'shell.demosDate': null
  'shell.refusedRefused': { refused: Said }
  'shell.keptWaiting': { kept: Said }
  'shell.offline': null
  'shell.handOverTablet': null
  'shell.mySettings': null
  'shell.noConnection': null
  'shell.databaseDown': null
  'shell.lostBySinceClock': { lostBy: Said; clock: Said }
  'shell.otherPeoples': null
  'shell.anotherPersons': null
  'shell.tryAgain': null
  'shell.loading': null
  'shell.visitsDate': null
  'shell.visits': null
  'shell.workDoneDayDay': null
  'shell.noVisitsYet': null
  'shell.allNVisits': { n: Said }
  'shell.notStarted': null
  'shell.notFinished': null
  'shell.cleanClean': { clean: Said }
  'shell.notCleanNotClean': { notClean: Said }
  'shell.nMoreNotChart': { n: Said }
  'shell.all': null
  'shell.aboutHalf': null
  'shell.easyHairsOnly': null
  'shell.onePrompt': null
  'shell.talkedThrough': null
  'shell.handsGuided': null
  'shell.restlessShiftsLicksPullsAway': null
  'shell.fightsPullsHardMouthsGrowls': null
  'shell.panicsShakesScreamsWillNot': null
  'shell.inspectedAfterwards': null
  'shell.feedbackOnly': null
  'shell.notPassed': null
  'shell.secondAssessorNeeded': null
  'shell.hand': null
  'shell.cannotTell': null
  'shell.likeArrival': null
  'shell.notAnswered': null
  'shell.readyAssessed': null
  'shell.everyHair': null
  'shell.plainShapes': null
  'shell.firstVisitWeDontKnow': null
  'shell.peenNotAnsweringYourChanges': null
  'shell.anotherDeviceChangedTooBoth': null
  'shell.got': null
  'shell.anythingSignedSinceBackupHas': null
  'shell.peenRestoredFromBackup': null
  'shell.notSavedYet': null
  'shell.everythingYouTappedSaved': null
  'shell.refused2': null
  'shell.fixProblemSendAgainOr': null
  'shell.openTable': null
  'shell.whyYouDiscarding': null
  'shell.discard': null
  'shell.sendAgain': null
  'shell.kindSavedTablet': { kind: Said }
  'shell.openSignedSheet': null
  'shell.openBothVersions': null
  'shell.open': null
  'shell.photographTakenTablet': null
  'shell.n2': { n: number }
  'shell.sendNow': null
  'shell.signAgainYourTapsSaved': null
  'shell.peensAnswerDidNotSay': null
  'shell.tappedUnderYourNameWithout': null
  'shell.noReasonGiven': null
  'shell.tableOpened': null
  'shell.tableFinished': null
  'shell.stepStarted': null
  'shell.stepFinished': null
  'shell.stepPaused': null
  'shell.stepResumed': null
  'shell.stepReopened': null
  'shell.faultNoted': null
  'shell.promptGiven': null
  'shell.helpGiven': null
  'shell.safetyEventNoted': null
  'shell.stressNoted': null
  'shell.pictureTaken': null
  'shell.praiseNoted': null
  'shell.breakStarted': null
  'shell.breakEnded': null
  'shell.workStopped': null
  'shell.workWent': null
  'shell.dogHadEnough': null
  'shell.finishedInstructor': null
  'shell.ownRating': null
  'shell.attemptsConfirmed': null
  'shell.instructorLooked': null
  'shell.helpAsked': null
  'shell.instructorStood': null
  'shell.detailAddedEarlierTap': null
  'shell.lateTapConfirmed': null
  'shell.sign': null
  'shell.chooseYourPassword': null
  'shell.day': null
  'shell.roomTools': null
  'shell.endTable': null
  'shell.cohortGlance': null
  'shell.aboutDog': null
  'shell.toolsPlace': null
  'shell.photographs': null
  'shell.trimLibrary': null
  'shell.draftTrim': null
  'shell.rack': null
  'shell.houseRules': null
  'shell.rulesEvidence': null
  'shell.twoAssessors': null
  'shell.twoMarksOneTrim': null
  'shell.passMarks': null
  'shell.auditTrail': null
  'shell.pageNotFound': null
  'shell.people': null
  'shell.visit': null
  'shell.table': null
  'shell.apprentice': null
  'shell.dog': null
  'shell.coats': null
  'shell.grading': null
  'shell.techniques': null
  'shell.trim': null
  'shell.plates': null
  'shell.plate': null
  'shell.backups': null
  'shell.finding': null
  'shell.withoutConnectionPeenHasOnly': null
  'shell.discardedWhatReason': { what: Said; reason: Said }
  'shell.refusedRefusedCheck': { refused: Said }
  'shell.keptWaitingHere': { kept: Said }
  'shell.sendingKept': { kept: Said }
  'shell.saving': null
  'shell.everythingSaved': null
  'shell.thingsNeedFixing': { refused: Said; n: number }
  'shell.yoursSavedOthersWait': { n: number; whose: Said }
  'shell.yourTapsWait': { n: number }
  'shell.bothDevicesChanged': { n: number }
  'shell.changesNotSentAgain': { n: number }
  'shell.sentAgain': { what: string; taps: number; changes: number }
  'shell.doNotDiscard': null
  'shell.person': null
  'shell.technique': null
  'shell.left': null
  'shell.right': null
  'shell.both': null
  'shell.alone': null
  'shell.shown': null
  'shell.watched': null
  'shell.nobody': null
  'shell.apprentice2': null
  'shell.instructor': null
  'shell.passed': null
  'shell.side': null
  'shell.front': null
  'shell.rear': null
  'shell.above': null
  'shell.handling': null
  'shell.meets': null
  'shell.fails': null
  'shell.instructors': null
  'shell.new': null
  'shell.practising': null
  'shell.competent': null
  'shell.slipping': null
  'shell.lapsed': null
  'shell.held': null
  'shell.undo': null
  'shell.helpAndKeys': null
  'shell.keysHere': null
  'shell.glossary': null
  'shell.searchWords': null
  'shell.noWordSounds': { text: Said }
  'shell.openGlossary': null
  'shell.help': null
  'shell.portfolio': null
  'shell.checkCertificate': null
  'shell.pictureIsHeic': null
  'shell.pictureTooLarge': { size: Said; most: Said }
  'supply.readyByDate': null
  'supply.finding': { there: number; of: Said; certificate: Said; date: Said; visits: number; more: number }
  'supply.cohort': null
  'supply.certificate': null
  'supply.readyBy': null
  'supply.openDays': { count: number }
  'supply.askFor': null
  'supply.nothingToAsk': null
  'supply.notProven': null
  'supply.dogFor': { dog: Said; apprentice: Said; times: number }
  'supply.serves': { count: number }
  'supply.coatTrim': { coat: Said; trim: Said }
  'supply.missing': null
  'supply.nothingMissing': null
  'supply.technique': null
  'supply.triesHead': null
  'supply.visitsHead': null
  'supply.aWeek': null
  'supply.coat': null
  'supply.eachApprentice': null
  'supply.tries': { tries: number; planned: number }
  'supply.cleanTries': { tries: number; planned: number }
  'supply.onHold': null
  'supply.notAtThisRate': null
  'supply.otherDogs': { count: number }
  'supply.otherCoats': { count: number }
  'supply.trims': { count: number }
  'supply.trimsNotAtThisRate': null
  'supply.notByDogs': { rule: Said }
  'supply.holdsIt': null
  'supply.isReady': null
  'supply.canBeThere': null
  'supply.notByThen': null
  'supply.outOfReach': null
  'supply.unmet': { apprentice: Said; what: string; count: number; name: Said; binds: string }
  'supply.howCounted': null
  'supply.howCountedSays': null
  'table.agreedStep': null
  'table.agreedNextStep': null
  'table.nothingCutHereToday': null
  'table.leaves': null
  'table.nMoreSheet': { n: Said }
  'table.figure': null
  'table.minutesName': { name: Said }
  'table.oneMinuteLess': null
  'table.minutesName2': { name: Said }
  'table.oneMinuteMore': null
  'table.howMuchCameOut': null
  'table.howMuchName': { name: Said }
  'table.struck': null
  'table.strike': null
  'table.faultNotSpecified': null
  'table.whoVouches': null
  'table.help': null
  'table.hands': null
  'table.side': null
  'table.start': null
  'table.technique': null
  'table.sideDogsOwn': null
  'table.tool': null
  'table.none': null
  'table.direction': null
  'table.growth': null
  'table.whoseHands': null
  'table.apprentices': null
  'table.instructors': null
  'table.on': null
  'table.dog': null
  'table.practiceFigure': null
  'table.choosePlaceFirst': null
  'table.trim': null
  'table.leavesLengthLength2Because': { length: Said; length2: Said; because: Said }
  'table.oneTap': null
  'table.nTapsWere': { n: Said }
  'table.tapsMadeWithoutConnection': { taps: Said }
  'table.underPickedName': null
  'table.pickedThemUnderPickedName': { picked: Said }
  'table.tapsMadeWithoutConnectionNamed': { taps: Said; named: Said }
  'table.houseRuleStep': null
  'table.sayWhyFirstThenRead': null
  'table.why': null
  'table.arrivedAfterDogFinishedEvent': { event: Said }
  'table.count': null
  'table.prompt': null
  'table.fault': null
  'table.safetyEvent': null
  'table.endStep': null
  'table.note': null
  'table.startName': { name: Said }
  'table.tap': null
  'table.regionsSideFinishedYouNot': { regions: Said; side: Said }
  'table.gradeFirstTrimMarkedGivenName': { givenName: Said }
  'table.placesYouFinished': null
  'table.iFinishedThese': null
  'table.touchPlacesYouFinished': null
  'table.whatYouFinished': null
  'table.safetyEvent2': null
  'table.note2': null
  'table.seeDogFirstBleedingSore': null
  'table.what': null
  'table.howBad': null
  'table.nearMiss': null
  'table.seriousPutsHoldTechnique': null
  'table.safetyEvent3': null
  'table.record': null
  'table.yourOwnWords': null
  'table.save': null
  'table.dogHasHadEnough': null
  'table.goesHome': null
  'table.finishedInstructor': null
  'table.dogHasHadEnoughHow': { dog: Said; how: Said }
  'table.dogSTimeUpStop': { dog: Said }
  'table.costsNoMarks': null
  'table.leftUndoneUndone': { undone: Said }
  'table.nMore': { n: Said }
  'table.end': null
  'table.illFinish': null
  'table.goesHome2': null
  'table.yourInstructorDecidesWhetherFinish': null
  'table.endTable': null
  'table.dog2': null
  'table.major': null
  'table.anotherFaultWords': null
  'table.anotherFault': null
  'table.slowDownTakeLessOr': null
  'table.seeDogFirstBleedingSore2': null
  'table.ownWords': null
  'table.tappedMistakeUndo': null
  'table.helpNotedWhatKind': null
  'table.praiseNotedWhat': null
  'table.notedRestlessWorseThan': null
  'table.stoppedWhy': null
  'table.keptLegLow': null
  'table.lookedFromOtherSideBefore': null
  'table.stoppedFirstFussing': null
  'table.scissorsDownWhileTurningDog': null
  'table.dogHasHadEnough2': null
  'table.skinRedOrSore': null
  'table.dogDistress': null
  'table.yourOwnRating': null
  'table.yourRatingWords': { words: Said }
  'table.bestBest': { best: Said }
  'table.improveMend': { mend: Said }
  'table.seeMarks': null
  'table.howWouldYouRateYour': null
  'table.standBackLookYouWill': null
  'table.whole': null
  'table.bestThingAbout': null
  'table.whatYouWouldImprove': null
  'table.chooseOneFirst': null
  'table.steps': null
  'table.goBackLabel': { label: Said }
  'table.startLabel': { label: Said }
  'table.notPlan': null
  'table.hereN': { here: Said; n: Said }
  'table.usuallyMinutes': { minutes: Said }
  'table.minutesMin': { minutes: Said }
  'table.howDoneLabel': { label: Said }
  'table.pause': null
  'table.endStep2': null
  'table.differentStep': null
  'table.continue': null
  'table.allStepsDone': null
  'table.endTable2': null
  'table.yourInstructorEndsTableYou': null
  'table.doneMinutesMin': { minutes: Said }
  'table.skippedSoFar': null
  'table.stop': null
  'table.endTableTableNumberGivenNameName': { tableNumber: Said; givenName: Said; name: Said }
  'table.endTable3': null
  'table.thenYouRateYourOwn': null
  'table.backTable': null
  'table.confirmAttempts': null
  'table.noStepHasBeenStarted': null
  'table.minutes': null
  'table.confirmed': null
  'table.confirmChanges': null
  'table.confirmTheseAttempts': null
  'table.whatLeftUndone': null
  'table.leftUndoneSideSide': null
  'table.closing': null
  'table.n1Grade': null
  'table.signed': null
  'table.begun': null
  'table.statusAssessor': { status: Said; assessor: Said }
  'table.beforeAnyoneCorrectsMarkGivenName': { givenName: Said }
  'table.continueGrading': null
  'table.gradeTrim': null
  'table.n2WhatYouFinishYourself': null
  'table.picturesWork': null
  'table.nameWork': { name: Said }
  'table.n3Close': null
  'table.ratedRatingWords': { ratingWords: Said }
  'table.ratesTheirOwnTrimOnce': null
  'table.nextVisitOwnerPictures': null
  'table.tableFinished': null
  'table.reopenTable': null
  'table.finishTable': null
  'table.confirmFinishTable': null
  'table.withdrawFault': null
  'table.tableFinishedFaultNoLonger': null
  'table.why2': null
  'table.withdraw': null
  'table.gradeFinishedTrim': null
  'table.iInspectedRest': null
  'table.confirmEveryAttempt': null
  'table.standardMinMin': { standardMin: Said }
  'table.break': null
  'table.temperamentDislikesDislikes': { temperament: Said; dislikes: Said }
  'table.xLeftNameToday': { x: Said; name: Said }
  'table.nMore2': { n: Said }
  'table.startWhatLeftDate': { date: Said }
  'table.likeArrivalReason': { reason: Said }
  'table.checkDog': null
  'table.waitInstructorBeforeNextStep': null
  'table.iAmHere': null
  'table.givenNameNeedsYou': { givenName: Said }
  'table.instructorHasBeenCalledKeep': null
  'table.namePanickingStopHoldGently': { name: Said }
  'table.noOneHasGivenReason': null
  'table.stoppedStopped': { stopped: Said }
  'table.dogFinishedAnythingTappedNow': null
  'table.instructor': null
  'table.hazardWhoThereClock': { hazard: Said; who: Said; clock: Said }
  'table.askHelp': null
  'table.helpWay': null
  'table.nameSoFar': { name: Said }
  'table.picture': null
  'table.pictureDogWorkNoPeople': null
  'table.backWork': null
  'table.break2': null
  'table.dogUneasy': null
  'table.fault2': null
  'table.prompt2': null
  'table.helped': null
  'table.praise': null
  'table.tableTableNumberGivenNameFamilyNameName': { tableNumber: Said; givenName: Said; familyName: Said; name: Said }
  'table.table': null
  'table.plTableNumberNameColourWithersMm': { tableNumber: Said; name: Said; colour: Said; withersMm: Said }
  'table.namePlannedTrim': { name: Said }
  'table.table2': null
  'table.sheet': null
  'table.safety': null
  'table.grade': null
  'table.end2': null
  'table.open': null
  'table.backRibs': null
  'table.rearLeg': null
  'table.leavesLength': { length: Said }
  'table.nothingCut': null
  'table.noMoreToday': null
  'table.notCheckedYet': null
  'table.waitsInstructor': null
  'table.startDifferentStep': null
  'table.howDoStep': null
  'table.noteYourOwnWords': null
  'table.safetyEvent4': null
  'table.startOrEndBreak': null
  'table.stopOrResume': null
  'table.startNextStepOrEnd': null
  'table.pauseStep': null
  'table.addDetailLastTap': null
  'table.undoLastTapWithinTen': null
  'table.resuming': null
  'table.endStep3': null
  'table.pause2': null
  'table.goingBack': null
  'table.noStepStartedYetStart': null
  'table.peenNotAnsweringPictureSaved': null
  'table.attemptsFromTaps': { n: number }
  'table.iInspectedUnwatched': { n: number }
  'table.attemptsNotVouched': { n: number }
  'table.later': null
  'table.places': null
  'table.help2': null
  'table.praise2': null
  'table.neck': null
  'table.keyFault': null
  'table.keyPrompt': null
  'table.keyHelped': null
  'table.keyPraise': null
  'table.tapsNeedDetail': { n: number }
  'table.setAside': null
  'visit.nameArrivalGrownFromDogs': { name: Said; grown: Said; side: Said }
  'visit.nameWhereThingsWereFound': { name: Said }
  'visit.touchPlaceSayWhatThere': null
  'visit.found': null
  'visit.nothingYetCombThroughLook': null
  'visit.combedOut': null
  'visit.removeText': { text: Said }
  'visit.remove': null
  'visit.photographsBefore': null
  'visit.readyCut': null
  'visit.confirmedReadyByDryCombedSkin': { readyBy: Said }
  'visit.dry': null
  'visit.combedSkinNoMatWhere': null
  'visit.confirmReady': null
  'visit.nailsLeftFromLastTime': { owed: Said }
  'visit.saidLastTime': null
  'visit.selectedPlace': null
  'visit.visit': null
  'visit.weeksSinceLastGroom': null
  'visit.notKnown': null
  'visit.knownDogHasBeenHere': null
  'visit.whatTrim': null
  'visit.nailsLeftDo': null
  'visit.wishesWhoAsked': null
  'visit.kindSkinPlaceOf': { kind: Said; placeOf: Said }
  'visit.weeksNotKnown': null
  'visit.closingVisit': null
  'visit.whatUsedWhere': null
  'visit.photographsAfter': null
  'visit.nailsLeftDoNailsOwedDo': { nailsOwed: Said }
  'visit.doneNow': null
  'visit.whatDoNextTime': null
  'visit.textsToSend': null
  'visit.copyText': null
  'visit.copied': null
  'visit.forOwner': null
  'visit.forApprentice': { name: Said }
  'visit.ownerLetter': { owner: string; dog: Said; date: Said; time: string; trim: Said }
  'visit.apprenticeLetter': { name: Said; dog: Said; date: Said; time: string; table: Said; trim: Said; minutes: number; coat: Said; canStand: number }
  'visit.apprenticeDislikes': { dog: Said; dislikes: Said }
  'visit.apprenticeLastTime': { lastTime: Said }
  'visit.dueBack': { dog: Said; date: Said }
  'visit.backOn': null
  'visit.backWeeks': null
  'visit.nothingTrimmedYetYouWill': null
  'visit.toldOwner': null
  'visit.suggestAgain': null
  'visit.saveChanges': null
  'visit.closeVisit': null
  'visit.visitClosedSaved': null
  'visit.backBackWeeksMust1': { back: Said }
  'visit.then': null
  'visit.standDogLastTimeStance': { stance: Said }
  'visit.add': null
  'visit.photographMomentStance': { moment: Said; stance: Said }
  'visit.removePhotographMomentStance': { moment: Said; stance: Said }
  'visit.remove2': null
  'visit.boardBesideDog': null
  'visit.tableCameraStance': null
  'visit.useSameStanceEachTime': null
  'visit.peenNotAnsweringPictureSaved': null
  'visit.findingsPlace': null
  'visit.place': null
  'visit.side': null
  'visit.left': null
  'visit.right': null
  'visit.coat': null
  'visit.widthAcross': null
  'visit.n5MmLess': null
  'visit.widthMmMmAcross': { widthMm: Said }
  'visit.n5MmMore': null
  'visit.skin': null
  'visit.notCoat': null
  'visit.lookFirst': null
  'visit.plannedAnywayReason': { reason: Said }
  'visit.nameSheetLeavesFromDogs': { name: Said; side: Said }
  'visit.namePlannedToolEachPlace': { name: Said }
  'visit.measuredDog': null
  'visit.a4SheetPdf': null
  'visit.table': null
  'visit.wishes': null
  'visit.trimToday': null
  'visit.visitDiffersFromHouseRules': { other: Said }
  'visit.laidOut': null
  'visit.commonPracticeSchoolsHouseRules': { decided: Said }
  'visit.sideSide': { side: Said }
  'visit.passSetsLength': null
  'visit.backRecommended': null
  'visit.leavesLeavesMmMm': { leavesMm: Said }
  'visit.placeAndMore': { place: Said; more: number }
  'visit.nothingCut': null
  'visit.burnedBefore': null
  'visit.plannedPlannedMmMm': { plannedMm: Said }
  'visit.targetMmMmChangedBy': { targetMm: Said; changedBy: Said }
  'visit.aimingAimMmMm': { aimMm: Said }
  'visit.makingSheet': null
  'visit.sheetCouldNotMade': null
  'visit.sheetStepStep': null
  'visit.chosenHere': null
  'visit.likeArrivalReason': { reason: Said }
  'visit.leavesMmMm': { leavesMm: Said }
  'visit.minutesMinTimedSeparately': { minutes: Said }
  'visit.minutesMin': { minutes: Said }
  'visit.sheetTable': null
  'visit.namePlanned': { name: Said }
  'visit.nothingWeKnow': null
  'visit.dislikesDislikesUpCanStandMinMinutes': { dislikes: Said; canStandMin: Said }
  'visit.table2': null
  'visit.takeCare': null
  'visit.why': null
  'visit.rulesApplyHere': null
  'visit.allowedHere': null
  'visit.whyNot': null
  'visit.chooseTool': null
  'visit.allowed': null
  'visit.notHere': null
  'visit.nearestChoice': { choice: Said }
  'visit.nameGivenNameTableTableNumberDate': { name: Said; givenName: Said; tableNumber: Said; date: Said }
  'visit.visit2': null
  'visit.nameKindReason': { name: Said; kind: Said; reason: Said }
  'visit.notesVisitCancelling': null
  'visit.cancelVisit': null
  'visit.cancelNameSVisit': { name: Said }
  'visit.freesGivenNameTableTableNumber': { givenName: Said; tableNumber: Said }
  'visit.checkChoicesDeletedVisitHas': null
  'visit.cancelling': null
  'visit.reloadVisit': null
  'visit.checkAlsoChangedAnotherDevice': null
  'visit.setUpSheet': null
  'visit.closing': null
  'visit.askedAskedBy': { askedBy: Said }
  'visit.removeWhat': { what: Said }
  'visit.request': null
  'visit.changesLength': null
  'visit.noPlace': null
  'visit.mm': null
  'visit.changesWork': null
  'visit.nothing': null
  'visit.reversesHouseRule': null
  'visit.none': null
  'visit.asked': null
  'visit.addWish': null
  'visit.owner': null
  'visit.school': null
  'visit.examiner': null
  'visit.empty': null
  'visit.lengthMmMustLowHigh': { mm: Said; low: Said; high: Said }
  'visit.coatComesOffOnlyIf': null
  'visit.regionLengthMm': { region: Said; length: Said }
  'visit.wishEmptyWriteWhatAsked': null
  'visit.regionMmMm': { region: Said; mm: Said }
  'visit.missing': null
  'visit.mmMmPlaceOf': { mm: Said; placeOf: Said }
  'visit.asked2': null
  'visit.nameLeftOutOneDevice': { name: Said; clash: Said }
  'visit.nameClashKeptOneDevice': { name: Said; clash: Said }
  'visit.nameClashKeptClash2Not': { name: Said; clash: Said; clash2: Said }
  'visit.twoDevicesChangedCheck': null
  'visit.onDateTableTableNumberGivenNameFamilyName': { onDate: Said; tableNumber: Said; givenName: Said; familyName: Said; coat: Said; withersMm: Said; canStandMin: Said; dislikes: Said }
  'visit.nailsLeftDoNailsOwed': { nailsOwed: Said }
  'visit.trimTodaySay': { say: Said }
  'visit.setUpSheetName': { name: Said }
  'visit.laidOutSheet': { sheet: Said }
  'visit.measuredDog2': null
  'visit.houseRulesDecided': { decided: Said }
  'visit.commonPracticeSchoolsHouseRules2': null
  'visit.nameOnDatePageCurrentCount': { name: Said; onDate: Said; current: Said; count: Said }
  'visit.readyCut2': null
  'visit.iLabelMinutesMinI2': { i: Said; label: Said; minutes: Said; i2: Said }
  'visit.houseRuleStepX': { x: Said }
  'visit.toolDirection': null
  'visit.takeCareWhy': null
  'visit.likeArrivalText': { text: Said }
  'visit.kindPlaceOf': { kind: Said; placeOf: Said }
  'visit.askedWishes': { wishes: Said }
  'visit.nameHasHadName2N': { name: Said; name2: Said; n: Said }
  'visit.andThe': null
  'visit.hairMissingAlreadyHolesGrows': { holes: Said }
  'visit.pleaseLetVetLookVet': { vet: Said }
  'visit.weSawWatchWatch': { watch: Said }
  'visit.pullingHurtHurtSoWe': { hurt: Said }
  'visit.nailsStillDoNailsOwed': { nailsOwed: Said }
  'visit.weeksOfGrowth': { weeks: number }
  'visit.backInWeeks': { weeks: number }
  'visit.coat2': null
  'visit.skin2': null
  'visit.wish': null
  'wall.cohortGlance': null
  'wall.noApprenticesYet': null
  'wall.wallFillsOnceSomeoneHas': null
  'wall.show': null
  'wall.cohort': null
  'wall.noOneHereChooseAnother': null
  'wall.moreTechniques': null
  'wall.nApprentices': { n: number }
  'wall.competent': null
  'wall.stuckOrFallenBack': null
  'wall.assessed': null
  'wall.everyCohort': null
  'wall.all': null
  'wall.held': null
  'wall.slipping': null
  'wall.lapsed': null
  'wall.noAttemptLiveDogYet': null
  'wall.cleanAttemptsCleanChartScore': { clean: Said; attempts: Said; score: Said; limit: Said }
  'wall.competentShownCompetent': { competent: Said; of: Said }
  'wall.openChart': null
  'wall.whatShapesMean': null
  'wall.stuck2': null
  'wall.fallenBack2': null
  'wall.touchShapeReasonArrowKeys': null
  'wall.meansNew': null
  'wall.meansPractising': null
  'wall.meansReady': null
  'wall.meansCompetent': null
  'wall.meansSlipping': null
  'wall.meansLapsed': null
  'wall.meansHeld': null
  'wall.meansStuck': null
  'wall.meansFallenBack': null
  'wall.cell': { name: Said; technique: Said; state: Said; found: string }
}
