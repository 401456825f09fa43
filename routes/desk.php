<?php

declare(strict_types=1);

// For staff.

use App\Desk\Batches\BatchesController;
use App\Desk\CardImport\CardImportController;
use App\Desk\Entries\EntriesController;
use App\Desk\Figures\TurnawaysController;
use App\Desk\Figures\YearController;
use App\Desk\Figures\YearFigures;
use App\Desk\Files\FilesController;
use App\Desk\Files\TitleFileController;
use App\Desk\Holdings\HoldingsController;
use App\Desk\Letters\DeskLettersController;
use App\Desk\Library\FrontController;
use App\Desk\Library\LibraryController;
use App\Desk\Licences\LicencesController;
use App\Desk\Lists\ListsController;
use App\Desk\Messages\DeskMessagesController;
use App\Desk\Orders\OrdersController;
use App\Desk\Patrons\CardController;
use App\Desk\Patrons\CardHouseholdController;
use App\Desk\Patrons\HelpController;
use App\Desk\Patrons\PatronsController;
use App\Desk\PayPerLoan\PayPerLoanController;
use App\Desk\RecordImport\RecordImportController;
use App\Desk\Records\RecordController;
use App\Desk\Records\WorkController;
use App\Desk\Renewals\RenewalsController;
use App\Desk\Requests\RequestsController;
use App\Desk\Rooms\RoomsController;
use App\Desk\Rules\RulesController;
use App\Desk\Setup\SetupController;
use App\Desk\SignIn\AtTheDesk;
use App\Desk\SignIn\DeskHelpController;
use App\Desk\SignIn\OwnController;
use App\Desk\SignIn\SecondFactorController;
use App\Desk\SignIn\StaffSignInController;
use App\Desk\SignInWays\WaysController;
use App\Desk\Staff\JoinController;
use App\Desk\Staff\StaffController;
use App\Desk\Titles\DeskTitleController;
use App\Desk\Titles\TitleRowsController;
use App\Desk\Titles\TitlesController;
use App\Desk\Today\TodayController;
use App\Desk\Trail\TrailController;
use App\Desk\Uploads\UploadController;
use App\Desk\Usage\UsageController;
use App\Desk\Weeding\WeedingController;
use App\Exchange\Records\ExportRecords;
use App\Lending\Holdings\LentHere;
use App\Shared\Middleware\HalfOfWorkers;
use Illuminate\Support\Facades\Route;

// Whoever has the link, which is good until it is used.
Route::get('/desk/begin/{key}', [SetupController::class, 'show'])->name('setup');
Route::post('/desk/begin/{key}', [SetupController::class, 'store'])->name('setup.store');

Route::middleware('guest:staff')
    ->prefix('desk')
    ->name('desk.')
    ->group(function (): void {
        Route::get('/sign-in', [StaffSignInController::class, 'show'])->name('sign-in');
        Route::post('/sign-in', [StaffSignInController::class, 'signIn'])->name('sign-in.store');
        Route::get('/sign-in/code', [SecondFactorController::class, 'ask'])->name('sign-in.code');
        Route::post('/sign-in/code', [SecondFactorController::class, 'enter'])->name('sign-in.code.store');
    });

// Whoever has the link of an invitation.
Route::get('/desk/join/{key}', [JoinController::class, 'show'])->name('desk.join');
Route::post('/desk/join/{key}', [JoinController::class, 'store'])->name('desk.join.store');

Route::middleware(['auth:staff', AtTheDesk::class])
    ->prefix('desk')
    ->name('desk.')
    ->group(function (): void {
        Route::redirect('/', '/desk/today');
        Route::get('/today', TodayController::class)->name('today');
        Route::get('/help', DeskHelpController::class)->name('help');
        Route::post('/sign-out', [StaffSignInController::class, 'signOut'])->name('sign-out');
        Route::get('/own', [OwnController::class, 'show'])->name('own');
        Route::post('/own', [OwnController::class, 'change'])->name('own.change');
        Route::post('/own/leave', [StaffController::class, 'leave'])->name('own.leave');
        Route::get('/own/second-factor', [SecondFactorController::class, 'show'])->name('own.second');
        Route::post('/own/second-factor', [SecondFactorController::class, 'turnOn'])->name('own.second.on');
        Route::post('/own/second-factor/off', [SecondFactorController::class, 'turnOff'])->name('own.second.off');
        Route::post('/at/{library}', [OwnController::class, 'at'])->name('at');
        Route::get('/staff', [StaffController::class, 'index'])
            ->name('staff')
            ->can('desk.staff');
        Route::post('/staff', [StaffController::class, 'invite'])
            ->name('staff.invite')
            ->can('desk.staff');
        Route::post('/staff/invitations/{invitation}/withdraw', [StaffController::class, 'withdraw'])
            ->name('staff.withdraw')
            ->can('desk.staff')
            ->can('manage', 'invitation');
        Route::post('/staff/{member}/role', [StaffController::class, 'role'])
            ->name('staff.role')
            ->can('desk.staff')
            ->can('manage', 'member');
        Route::post('/staff/{member}/end', [StaffController::class, 'end'])
            ->name('staff.end')
            ->can('desk.staff')
            ->can('manage', 'member');
        Route::get('/trail', [TrailController::class, 'index'])
            ->name('trail')
            ->can('desk.trail');
        Route::get('/trail.csv', [TrailController::class, 'csv'])
            ->name('trail.csv')
            ->can('desk.trail')
            ->middleware('throttle:exports');
        Route::middleware('can:desk.patrons')->group(function (): void {
            Route::get('/patrons', [PatronsController::class, 'index'])->name('patrons');
            Route::get('/patrons/new', [PatronsController::class, 'create'])->name('patrons.new');
            Route::post('/patrons', [PatronsController::class, 'issue'])->name('patrons.issue');
            Route::get('/patrons/files', [CardImportController::class, 'index'])->name('patrons.files');
            Route::post('/patrons/files', [CardImportController::class, 'store'])->name('patrons.files.read');
            Route::middleware('can:handle,import')
                ->prefix('patrons/files/{import}')
                ->group(function (): void {
                    Route::get('/', [CardImportController::class, 'show'])->name('patrons.file');
                    Route::post('/apply', [CardImportController::class, 'apply'])->name('patrons.file.apply');
                    Route::post('/undo', [CardImportController::class, 'undo'])->name('patrons.file.undo');
                    Route::post('/discard', [CardImportController::class, 'discard'])->name('patrons.file.discard');
                    Route::get('/pins.csv', [CardImportController::class, 'pins'])->name('patrons.file.pins');
                    Route::post('/pins/forget', [CardImportController::class, 'forgetPins'])->name(
                        'patrons.file.forget_pins',
                    );
                });
            Route::middleware('can:serve,card')
                ->prefix('cards/{card}')
                ->scopeBindings()
                ->group(function (): void {
                    Route::get('/', [CardController::class, 'show'])->name('card');
                    Route::post('/', [CardController::class, 'describe'])->name('card.describe');
                    Route::post('/renew', [CardController::class, 'renew'])->name('card.renew');
                    Route::post('/block', [CardController::class, 'block'])->name('card.block');
                    Route::post('/unblock', [CardController::class, 'unblock'])->name('card.unblock');
                    Route::post('/pin', [CardController::class, 'pin'])->name('card.pin');
                    Route::post('/replace', [CardController::class, 'replace'])->name('card.replace');
                    Route::post('/erase', [CardController::class, 'erase'])->name('card.erase');
                    Route::post('/merge', [CardController::class, 'merge'])->name('card.merge');
                    Route::post('/household', [CardHouseholdController::class, 'add'])->name('card.household');
                    Route::post('/household/end', [CardHouseholdController::class, 'end'])->name('card.household.end');
                    Route::post('/help', [HelpController::class, 'show'])->name('card.help');
                    Route::post('/loans/{loan}/return', [HelpController::class, 'return'])->name('card.return');
                    Route::post('/holds/{hold}/cancel', [HelpController::class, 'cancel'])->name('card.cancel');
                });
        });
        Route::middleware('can:desk.library')->group(function (): void {
            Route::get('/library', [LibraryController::class, 'edit'])->name('library');
            Route::post('/library', [LibraryController::class, 'save'])->name('library.save');
            Route::post('/library/look', [LibraryController::class, 'look'])->name('library.look');
            Route::post('/library/closed', [LibraryController::class, 'close'])->name('library.close');
            Route::post('/library/closed/{closedDays}/remove', [LibraryController::class, 'open'])
                ->name('library.open')
                ->can('arrange', 'closedDays');
            Route::get('/library/sign-in', [WaysController::class, 'edit'])->name('ways');
            Route::post('/library/sign-in', [WaysController::class, 'save'])->name('ways.save');
            Route::get('/library/front', [FrontController::class, 'edit'])->name('front');
            Route::post('/library/front', [FrontController::class, 'add'])->name('front.add');
            Route::post('/library/front/shift', [FrontController::class, 'shift'])->name('front.shift');
            Route::get('/library/front/preview', [FrontController::class, 'preview'])->name('front.preview');
        });
        Route::middleware('can:desk.rules')->group(function (): void {
            Route::get('/rules', [RulesController::class, 'index'])->name('rules');
            Route::get('/rules/one', [RulesController::class, 'edit'])->name('rule');
            Route::post('/rules/one', [RulesController::class, 'change'])->name('rule.change');
            Route::post('/rules/groups', [RulesController::class, 'group'])->name('rules.group');
            Route::post('/rules/changes/{change}/undo', [RulesController::class, 'undo'])->name('rule.undo');
        });
        Route::middleware('can:desk.titles')->group(function (): void {
            Route::get('/entries', [EntriesController::class, 'index'])->name('entries');
            Route::prefix('entries/{entryKind}/{entry}')->group(function (): void {
                Route::get('/', [EntriesController::class, 'show'])->name('entry');
                Route::post('/rename', [EntriesController::class, 'rename'])
                    ->name('entry.rename')
                    ->can('desk.entry', ['entryKind', 'entry']);
                Route::post('/merge', [EntriesController::class, 'merge'])
                    ->name('entry.merge')
                    ->can('desk.entry', ['entryKind', 'entry']);
            });
            Route::get('/batches', [BatchesController::class, 'index'])->name('batches');
            Route::post('/batches', [BatchesController::class, 'look'])->name('batches.look');
            Route::middleware('can:handle,batch')
                ->prefix('batches/{batch}')
                ->group(function (): void {
                    Route::get('/', [BatchesController::class, 'show'])->name('batch');
                    Route::post('/apply', [BatchesController::class, 'apply'])->name('batch.apply');
                    Route::post('/undo', [BatchesController::class, 'undo'])->name('batch.undo');
                    Route::post('/discard', [BatchesController::class, 'discard'])->name('batch.discard');
                });
            Route::get('/holdings', [HoldingsController::class, 'index'])->name('holdings');
            Route::get('/holdings/new', [HoldingsController::class, 'create'])->name('holdings.create');
            Route::post('/holdings', [HoldingsController::class, 'store'])->name('holdings.store');
            Route::post('/titles/{title}/holdings', [HoldingsController::class, 'addHolding'])->name('holding.add');
            Route::post('/titles/{title}/links', [HoldingsController::class, 'addLink'])->name('link.add');
            Route::middleware('can:change,holding')
                ->prefix('holdings/{holding}')
                ->group(function (): void {
                    Route::post('/', [HoldingsController::class, 'changeHolding'])->name('holding.change');
                    Route::post('/remove', [HoldingsController::class, 'removeHolding'])->name('holding.remove');
                });
            Route::middleware('can:change,link')
                ->prefix('links/{link}')
                ->group(function (): void {
                    Route::post('/', [HoldingsController::class, 'changeLink'])->name('link.change');
                    Route::post('/remove', [HoldingsController::class, 'removeLink'])->name('link.remove');
                    Route::post('/follow', [HoldingsController::class, 'followLink'])->name('link.follow');
                    Route::post('/look', [HoldingsController::class, 'lookAgain'])->name('link.look');
                });
            Route::get('/files', [FilesController::class, 'index'])->name('files');
            Route::get('/files/records', [RecordImportController::class, 'index'])->name('records.files');
            Route::post('/files/records', [RecordImportController::class, 'store'])->name('records.files.read');
            Route::get('/files/records/all.{form}', [RecordImportController::class, 'export'])
                ->whereIn('form', ExportRecords::FORMS)
                ->name('records.export');
            Route::middleware('can:handle,records')
                ->prefix('files/records/{records}')
                ->group(function (): void {
                    Route::get('/', [RecordImportController::class, 'show'])->name('records.file');
                    Route::post('/choose', [RecordImportController::class, 'choose'])->name('records.file.choose');
                    Route::post('/apply', [RecordImportController::class, 'apply'])->name('records.file.apply');
                    Route::post('/discard', [RecordImportController::class, 'discard'])->name('records.file.discard');
                });
            Route::post('/files', [FilesController::class, 'take'])->name('files.take');
            Route::post('/files/{file}/put-away', [FilesController::class, 'putAway'])
                ->name('files.put_away')
                ->can('see', 'file');
        });
        Route::post('/uploads', [UploadController::class, 'begin'])->name('uploads.begin');
        Route::get('/uploads/{upload}', [UploadController::class, 'show'])
            ->name('uploads.show')
            ->can('send', 'upload');
        Route::put('/uploads/{upload}', [UploadController::class, 'part'])
            ->name('uploads.part')
            ->can('send', 'upload');
        Route::get('/licences', [LicencesController::class, 'index'])->name('licences');
        Route::get('/licences/waits', [LicencesController::class, 'waits'])->name('licences.waits');
        Route::get('/licences.csv', [LicencesController::class, 'csv'])
            ->name('licences.csv')
            ->middleware('throttle:exports');
        Route::get('/renewals', [RenewalsController::class, 'index'])->name('renewals');
        Route::get('/renewals.csv', [RenewalsController::class, 'csv'])
            ->name('renewals.csv')
            ->middleware('throttle:exports');
        Route::get('/weeding', [WeedingController::class, 'index'])->name('weeding');
        Route::get('/weeding.csv', [WeedingController::class, 'csv'])
            ->name('weeding.csv')
            ->middleware('throttle:exports');
        Route::get('/pay-per-loan', [PayPerLoanController::class, 'index'])->name('paid');
        Route::post('/pay-per-loan', [PayPerLoanController::class, 'budget'])
            ->name('paid.budget')
            ->can('desk.licences');
        Route::get('/figures', [YearController::class, 'index'])->name('figures');
        Route::get('/figures/{figure}.csv', [YearController::class, 'csv'])
            ->whereIn('figure', [...YearFigures::ALL, 'hours'])
            ->name('figures.csv')
            ->middleware('throttle:exports');
        Route::get('/turnaways', [TurnawaysController::class, 'index'])->name('turnaways');
        Route::get('/turnaways.csv', [TurnawaysController::class, 'csv'])
            ->name('turnaways.csv')
            ->middleware('throttle:exports');
        Route::get('/turnaways/{title}', [TurnawaysController::class, 'title'])->name('turnaways.title');
        Route::get('/turnaways/{title}.csv', [TurnawaysController::class, 'titleCsv'])
            ->name('turnaways.title.csv')
            ->middleware('throttle:exports');
        Route::get('/usage', [UsageController::class, 'index'])->name('usage');
        Route::get('/usage/report.{kind}', [UsageController::class, 'report'])
            ->whereIn('kind', ['tsv', 'json'])
            ->name('usage.report')
            ->middleware('throttle:exports');
        Route::middleware('can:desk.library')->group(function (): void {
            Route::post('/usage/keys', [UsageController::class, 'give'])->name('usage.give');
            Route::post('/usage/keys/{counterKey}/take-back', [UsageController::class, 'takeBack'])
                ->name('usage.take_back')
                ->can('takeBack', 'counterKey');
        });
        Route::middleware('can:desk.lists')
            ->prefix('rooms')
            ->name('rooms')
            ->group(function (): void {
                Route::get('/', [RoomsController::class, 'index']);
                Route::get('/new', [RoomsController::class, 'create'])->name('.create');
                Route::post('/', [RoomsController::class, 'add'])->name('.add');
                Route::get('/{room}', [RoomsController::class, 'edit'])->name('.edit');
                Route::post('/{room}', [RoomsController::class, 'change'])->name('.change');
                Route::post('/{room}/shift', [RoomsController::class, 'shift'])->name('.shift');
                Route::post('/{room}/remove', [RoomsController::class, 'remove'])->name('.remove');
            });
        Route::get('/lists', [ListsController::class, 'index'])
            ->name('lists')
            ->can('desk.lists');
        Route::get('/lists/new', [ListsController::class, 'create'])
            ->name('lists.create')
            ->can('desk.lists');
        Route::post('/lists', [ListsController::class, 'make'])
            ->name('lists.make')
            ->can('desk.lists');
        Route::get('/lists/{list}', [ListsController::class, 'show'])
            ->name('list')
            ->can('desk.lists')
            ->can('edit', 'list');
        Route::post('/lists/{list}', [ListsController::class, 'change'])
            ->name('list.change')
            ->can('desk.lists')
            ->can('edit', 'list');
        Route::post('/lists/{list}/titles', [ListsController::class, 'titles'])
            ->name('list.titles')
            ->can('desk.lists')
            ->can('edit', 'list');
        Route::post('/lists/{list}/shift', [ListsController::class, 'shift'])
            ->name('list.shift')
            ->can('desk.lists')
            ->can('edit', 'list');
        Route::post('/lists/{list}/remove', [ListsController::class, 'remove'])
            ->name('list.remove')
            ->can('desk.lists')
            ->can('edit', 'list');
        Route::middleware('can:desk.letters')->group(function (): void {
            Route::get('/letters', [DeskLettersController::class, 'index'])->name('letters');
            Route::get('/letters/{letter}', [DeskLettersController::class, 'show'])
                ->name('letter')
                ->can('answer', 'letter');
            Route::post('/letters/{letter}', [DeskLettersController::class, 'answer'])
                ->name('letter.answer')
                ->can('answer', 'letter');
            Route::post('/letters/{letter}/lay', [DeskLettersController::class, 'lay'])
                ->name('letter.lay')
                ->can('answer', 'letter');
        });
        Route::middleware('can:desk.messages')->group(function (): void {
            Route::get('/messages', [DeskMessagesController::class, 'index'])->name('messages');
            Route::get('/messages/new', [DeskMessagesController::class, 'create'])->name('messages.create');
            Route::post('/messages', [DeskMessagesController::class, 'store'])->name('messages.write');
            Route::get('/messages/{message}', [DeskMessagesController::class, 'edit'])
                ->name('message')
                ->can('edit', 'message');
            Route::post('/messages/{message}', [DeskMessagesController::class, 'change'])
                ->name('message.change')
                ->can('edit', 'message');
            Route::post('/messages/{message}/remove', [DeskMessagesController::class, 'remove'])
                ->name('message.remove')
                ->can('edit', 'message');
        });
        Route::get('/requests', [RequestsController::class, 'index'])->name('requests');
        Route::get('/requests.csv', [RequestsController::class, 'csv'])
            ->name('requests.csv')
            ->middleware('throttle:exports');
        Route::get('/requests/words/{asked}', [RequestsController::class, 'words'])
            ->name('requests.words')
            ->can('desk.requests')
            ->can('answer', 'asked');
        Route::post('/requests/words/{asked}/name', [RequestsController::class, 'name'])
            ->name('requests.name')
            ->can('desk.requests')
            ->can('answer', 'asked');
        Route::post('/requests/words/{asked}/decline', [RequestsController::class, 'declineInWords'])
            ->name('requests.decline_words')
            ->can('desk.requests')
            ->can('answer', 'asked');
        Route::get('/requests/{title}', [RequestsController::class, 'show'])->name('request');
        Route::get('/requests/{title}.csv', [RequestsController::class, 'titleCsv'])
            ->name('request.csv')
            ->middleware('throttle:exports');
        Route::post('/requests/{title}/decline', [RequestsController::class, 'decline'])
            ->name('request.decline')
            ->can('desk.requests');
        Route::post('/supplier/{reading}/take', [RequestsController::class, 'takeReading'])
            ->name('supplier.take')
            ->can('desk.requests');
        Route::get('/orders', [OrdersController::class, 'index'])->name('orders');
        Route::middleware('can:desk.licences')->group(function (): void {
            Route::post('/orders/move', [OrdersController::class, 'move'])->name('orders.move');
            Route::post('/orders/orders.{kind}', [OrdersController::class, 'file'])
                ->whereIn('kind', ['csv', 'edi'])
                ->name('orders.file')
                ->middleware('throttle:exports');
            Route::post('/funds', [OrdersController::class, 'fund'])->name('funds.add');
            Route::post('/funds/{fund}', [OrdersController::class, 'budget'])
                ->name('fund.budget')
                ->can('arrange', 'fund');
            Route::post('/funds/{fund}/close', [OrdersController::class, 'close'])
                ->name('fund.close')
                ->can('arrange', 'fund');
            Route::get('/titles/{title}/order', [OrdersController::class, 'create'])
                ->name('order')
                ->middleware(LentHere::class);
            Route::post('/titles/{title}/order', [OrdersController::class, 'note'])
                ->name('order.note')
                ->middleware(LentHere::class);
        });
        Route::get('/titles', TitlesController::class)->name('titles');
        Route::get('/titles/{title}', [DeskTitleController::class, 'show'])->name('title');
        Route::get('/titles/{title}/elsewhere', [HoldingsController::class, 'show'])->name('elsewhere');
        Route::middleware(['can:desk.titles', 'can:edit,title'])
            ->prefix('titles/{title}/record')
            ->group(function (): void {
                Route::get('/', [RecordController::class, 'edit'])->name('record');
                Route::post('/', [RecordController::class, 'save'])->name('record.save');
                Route::post('/{change}/undo', [RecordController::class, 'undo'])->name('record.undo');
                Route::post('/cover', [RecordController::class, 'cover'])->name('record.cover');
                Route::post('/work', WorkController::class)->name('record.work');
            });
        Route::middleware(['can:desk.titles', 'can:edit,title', LentHere::class])
            ->prefix('titles/{title}/file')
            ->group(function (): void {
                Route::get('/', [TitleFileController::class, 'show'])->name('title.file');
                Route::post('/', [TitleFileController::class, 'take'])->name('title.file.take');
            });
        Route::get('/titles/{title}/{rows}.csv', TitleRowsController::class)
            ->whereIn('rows', ['licences', 'line', 'loans', 'months'])
            ->name('title.csv')
            ->middleware('throttle:exports');
        Route::get('/titles/{title}/change', [DeskTitleController::class, 'preview'])
            ->name('preview')
            ->can('desk.licences')
            ->middleware(LentHere::class);
        Route::post('/titles/{title}/change', [DeskTitleController::class, 'change'])
            ->name('change')
            ->can('desk.licences')
            ->middleware([LentHere::class, HalfOfWorkers::class . ':title']);
    });
