// What every call of the API answers with, by method and path. Server and interface both read this: tests, and the server in
// development, hold each answer against it (App\Http\Middleware\CheckAnswer). A call that answers with no content, or with a
// file, does not stand here.
import type { CaptionUndo, LessonCaptions, TranslationBrought } from './captions';
import type { Assembly, ChangedSince, Edition, ExpectedFilm, Export, OfferedMusic } from './films';
import type {
    Arrival,
    Deck,
    Found,
    Glance,
    Lesson,
    LessonSummary,
    Section,
    Slide,
    SlidesBrought,
    Stored,
    TieProposal,
} from './lessons';
import type { Here, HistoryPage, Me, Members, Notices, PairedDevices, ReviewState } from './people';
import type { LinePicture, Picture } from './pictures';
import type { Finding, LessonCues, ScriptText } from './script';
import type { LessonSite, SiteDelivery } from './site';
import type { Course, LessonStyle, Logo } from './style';
import type { Adjustment, TakeAlignment, Meeting, Take, TakesChanged, VerdictGiven } from './takes';

export interface Answers {
    'GET me': Me;
    'GET notices': Notices;
    'POST notices/read': Notices;
    'GET paired-devices': PairedDevices;
    'POST paired-devices/code': PairedDevices & { code: string };
    'DELETE paired-devices/{paired_device}': PairedDevices;
    'POST pairings/{pairing}/accept': PairedDevices;
    'POST pairings/{pairing}/refuse': PairedDevices;

    'GET courses': Course[];
    'POST courses': Course;
    'GET courses/{course}': Course;
    'PUT courses/{course}': Course & { outdated: string[] };
    'POST courses/{course}/restore': Course;
    'POST courses/{course}/page': Course;
    'POST courses/{course}/logos': Logo;
    'GET courses/{course}/members': Members;
    'POST courses/{course}/members': Members;
    'POST courses/{course}/invitations': Members & { url: string };
    'GET courses/{course}/history': HistoryPage;
    'GET sample-picture': Picture;

    'GET lessons': LessonSummary[];
    'POST lessons': Lesson;
    'GET lessons/{lesson}': Lesson;
    'PUT lessons/{lesson}': Lesson;
    'POST lessons/{lesson}/restore': Lesson;
    'PUT lessons/{lesson}/choices': Lesson;
    'PUT lessons/{lesson}/order': Lesson;
    'GET lessons/{lesson}/glance': Glance;
    'GET lessons/{lesson}/style': LessonStyle;
    'PATCH lessons/{lesson}/style': LessonStyle;
    'GET lessons/{lesson}/members': Members;
    'POST lessons/{lesson}/members': Members;
    'POST lessons/{lesson}/invitations': Members & { url: string };
    'PATCH memberships/{membership}': Members;
    'DELETE memberships/{membership}': Members;
    'DELETE invitations/{invitation}': Members;
    'GET lessons/{lesson}/history': HistoryPage;
    'PUT lessons/{lesson}/here/{window}': { others: Here[]; changes: number };
    'GET lessons/{lesson}/draft': ReviewState;
    'POST lessons/{lesson}/draft': ReviewState;
    'PATCH lessons/{lesson}/draft': ReviewState;
    'POST lessons/{lesson}/approvals': ReviewState;
    'DELETE lessons/{lesson}/approvals/mine': ReviewState;
    'GET search': Found[];

    'POST read-script': { text: string; title: string | null };
    'GET lessons/{lesson}/script': ScriptText;
    'PUT lessons/{lesson}/script': ScriptText;
    'GET lessons/{lesson}/script/ready': Finding[];
    'GET lessons/{lesson}/script/ties': TieProposal[];
    'GET lessons/{lesson}/cues': LessonCues;
    'POST sections/{section}/cues': ScriptText;
    'PUT sections/{section}/cues/{number}': ScriptText;
    'POST lessons/{lesson}/sections': Omit<Section, 'next'>;
    'PATCH sections/{section}': Omit<Section, 'next'>;
    'POST sections/{section}/restore': Omit<Section, 'next'>;
    'GET sections/{section}/picture': LinePicture[];

    'GET lessons/{lesson}/slides': Slide[];
    'POST lessons/{lesson}/slides': SlidesBrought;
    'PATCH slides/{slide}': Slide;
    'POST slides/{slide}/restore': Slide;
    'POST slides/{slide}/picture': Slide & { deck: Deck | null };
    'GET lessons/{lesson}/decks': Deck[];
    'POST decks/{deck}/cancel': Deck;
    'POST decks/{deck}/undo': Deck;
    'GET lessons/{lesson}/music': OfferedMusic[];
    'POST lessons/{lesson}/music': OfferedMusic[];

    'GET sections/{section}/takes': Take[];
    'POST sections/{section}/takes': Take;
    'POST sections/{section}/takes/copy': Take;
    'GET sections/{section}/continuity': Meeting[];
    'GET takes/{take}': Take;
    'PATCH takes/{take}': Take & Partial<Pick<TakesChanged, 'was'>> & Partial<Pick<VerdictGiven, 'undo' | 'wrote'>>;
    'PUT takes/{take}/events/{number}': { next: number };
    'PUT tracks/{track}/chunks/{number}': { next: number };
    'POST takes/{take}/finish': Take;
    'POST takes/{take}/read-again': Take;
    'GET takes/{take}/heard': TakeAlignment;
    'GET takes/{take}/match': { adjustment: Adjustment | null };
    'GET takes/{take}/cleaned': { ready: boolean; url: string | null; problem: string | null };

    'GET lessons/{lesson}/assembly': Assembly;
    'GET lessons/{lesson}/exports': Export[];
    'POST lessons/{lesson}/exports': Export;
    'GET lessons/{lesson}/exports/usual': Edition[];
    'GET lessons/{lesson}/exports/expected': ExpectedFilm;
    'GET exports/{export}': Export;
    'GET exports/{export}/since': ChangedSince;
    'POST exports/{export}/cancel': Export;
    'PUT exports/{export}/thumbnail': Export;
    'GET lessons/{lesson}/captions': LessonCaptions;
    'POST lessons/{lesson}/captions/undo': LessonCaptions;
    'PUT sections/{section}/captions': CaptionUndo;
    'PUT sections/{section}/captions/{number}': CaptionUndo;
    'POST sections/{section}/captions/{number}/move': CaptionUndo;
    'POST lessons/{lesson}/translations/{language}/file': TranslationBrought;

    'GET lessons/{lesson}/delivery': SiteDelivery;
    'POST lessons/{lesson}/delivery': SiteDelivery;
    'POST deliveries/{delivery}/cancel': SiteDelivery;
    'GET lessons/{lesson}/publication': LessonSite;
    'POST lessons/{lesson}/publication': LessonSite;
    'PATCH lessons/{lesson}/publication': LessonSite;
    'POST lessons/{lesson}/held-comments': LessonSite;
    'PATCH comments/{comment}': LessonSite;
    'POST comments/{comment}/answers': LessonSite;

    'GET storage': Stored;
    'DELETE storage/cache': { bytes: number };
    'POST lessons/{lesson}/cleared-takes': { takes: number };
    'POST lessons/{lesson}/cleared-takes/restore': { takes: number };
    'DELETE lessons/{lesson}/older-films': { films: number };

    'GET archives': Arrival[];
    'POST archives': Arrival;
    'GET archives/{arrival}': Arrival;
    'PUT archives/{arrival}/chunks/{number}': { next: number };
    'POST archives/{arrival}/finish': Arrival;
    'POST archives/{arrival}/cancel': Arrival;
}
