// Made by tests/Feature/SamplesTest.php: what the API answers, which the compiler compares with the types.
import type {
    Assembly,
    Course,
    Deck,
    Export,
    Finding,
    Glance,
    HistoryPage,
    Lesson,
    LessonCaptions,
    LessonCues,
    LessonSite,
    LessonStyle,
    LessonSummary,
    LinePicture,
    Members,
    OfferedMusic,
    Picture,
    ReviewState,
    ScriptText,
    SiteDelivery,
    Slide,
    Take,
    TieProposal,
} from '../../resources/js/api/types';

export const lessons = [
    {
        "id": "id1",
        "title": "Tides",
        "may": [
            "see",
            "comment",
            "write",
            "record",
            "publish",
            "own"
        ],
        "width": 320,
        "height": 180,
        "fps": 25,
        "sections": 3,
        "course_id": "id2",
        "kept": 2,
        "running_ms": 4290,
        "slide_url": "/api/slides/id3/picture",
        "updated_at": "2026-03-01T12:00:00Z"
    }
] satisfies LessonSummary[];

export const glance = {
    "sections": [
        {
            "id": "id4",
            "fill": "filled",
            "notched": false,
            "length_ms": 2290
        },
        {
            "id": "id5",
            "fill": "hollow",
            "notched": false,
            "length_ms": 2070
        },
        {
            "id": "id6",
            "fill": "filled",
            "notched": false,
            "length_ms": 2000
        }
    ],
    "next": {
        "room": "record",
        "section": "id5",
        "says": "Record section 2"
    },
    "film": "up to date"
} satisfies Glance;

export const lesson = {
    "id": "id1",
    "title": "Tides",
    "may": [
        "see",
        "comment",
        "write",
        "record",
        "publish",
        "own"
    ],
    "width": 320,
    "height": 180,
    "fps": 25,
    "updated_at": "2026-03-01T12:00:00Z",
    "revision": 3,
    "course": {
        "id": "id2",
        "name": "Reading the Water"
    },
    "count_down": 3,
    "cleaning": {
        "noise": "off",
        "hum": false,
        "low_cut": false
    },
    "pens": [
        "1B2430",
        "0B5D66",
        "FAF8F3",
        "BB2B1B"
    ],
    "target_ms": 30000,
    "pace": {
        "factor": 1,
        "takes": 0
    },
    "sections": [
        {
            "id": "id4",
            "heading": "High water",
            "script": "[slide: 640x360]\n\nFind the right day. [layout: camera alone] Then 4.8 4.9 5.0 5.1 read the height.",
            "lines": [
                {
                    "id": "id7",
                    "number": 1,
                    "paragraph": 1,
                    "text": "Find the right day.",
                    "spoken_ms": 1530
                },
                {
                    "id": "id8",
                    "number": 2,
                    "paragraph": 1,
                    "text": "Then 4.8 4.9 5.0 5.1 read the height.",
                    "spoken_ms": 5040
                }
            ],
            "estimate_ms": 6570,
            "target_ms": null,
            "card": null,
            "slide": {
                "id": "id3",
                "name": "640x360",
                "width": 640,
                "height": 360,
                "text": "",
                "url": "/api/slides/id3/picture?v=12345678",
                "steps": 0,
                "film_ms": null
            },
            "layout": "slide-with-inset",
            "inset_corner": "bottom-right",
            "inset_size": "medium",
            "own_layout": false,
            "coverage": {
                "heard": true,
                "elsewhere": false,
                "takes": [
                    "id9"
                ],
                "missing": [],
                "lines": [
                    {
                        "id": "id7",
                        "take": "id9",
                        "why": "only-one",
                        "others": [],
                        "was": "Find the day.",
                        "was_take": 1
                    },
                    {
                        "id": "id8",
                        "take": "id9",
                        "why": "only-one",
                        "others": [],
                        "was": null,
                        "was_take": null
                    }
                ]
            },
            "progress": {
                "fill": "filled",
                "notched": false,
                "says": "kept",
                "kept": "id9",
                "waiting": "id10",
                "reading": null,
                "length_ms": 2290,
                "off_target_ms": null
            },
            "takes": [
                {
                    "id": "id9",
                    "section_id": "id4",
                    "number": 1,
                    "state": "ready",
                    "verdict": "kept",
                    "alignment": "nothing",
                    "lines": [
                        "id7",
                        "id8"
                    ],
                    "media_url": "/api/takes/id9/media?v=12345678",
                    "poster_url": "/api/takes/id9/poster"
                },
                {
                    "id": "id10",
                    "section_id": "id4",
                    "number": 2,
                    "state": "recording",
                    "verdict": "undecided",
                    "alignment": "nothing",
                    "lines": [
                        "id7",
                        "id8"
                    ],
                    "media_url": "/api/takes/id10/media?v=recordin",
                    "poster_url": null
                }
            ],
            "take_count": 2,
            "last_take": 2,
            "next": {
                "room": "record",
                "section": "id5",
                "says": "Record section 2"
            }
        },
        {
            "id": "id5",
            "heading": "Not yet",
            "script": "Nobody has said this.",
            "lines": [
                {
                    "id": "id11",
                    "number": 1,
                    "paragraph": 1,
                    "text": "Nobody has said this.",
                    "spoken_ms": 2070
                }
            ],
            "estimate_ms": 2070,
            "target_ms": null,
            "card": null,
            "slide": null,
            "layout": "slide-with-inset",
            "inset_corner": "bottom-right",
            "inset_size": "medium",
            "own_layout": false,
            "coverage": {
                "heard": false,
                "elsewhere": false,
                "takes": [],
                "missing": [
                    "id11"
                ],
                "lines": [
                    {
                        "id": "id11",
                        "take": null,
                        "why": null,
                        "others": [],
                        "was": null,
                        "was_take": null
                    }
                ]
            },
            "progress": {
                "fill": "hollow",
                "notched": false,
                "says": "not recorded",
                "kept": null,
                "waiting": null,
                "reading": null,
                "length_ms": 2070,
                "off_target_ms": null
            },
            "takes": [],
            "take_count": 0,
            "last_take": 0,
            "next": {
                "room": "finish",
                "section": null,
                "says": "Finish"
            }
        },
        {
            "id": "id6",
            "heading": "Bye",
            "script": "[card: closing, 2 s] [music: Slack water]\n\nThanks.",
            "lines": [
                {
                    "id": "id12",
                    "number": 1,
                    "paragraph": 1,
                    "text": "Thanks.",
                    "spoken_ms": 720
                }
            ],
            "estimate_ms": 2000,
            "target_ms": null,
            "card": {
                "kind": "closing",
                "length_ms": 2000
            },
            "slide": null,
            "layout": "slide-with-inset",
            "inset_corner": "bottom-right",
            "inset_size": "medium",
            "own_layout": false,
            "coverage": {
                "heard": false,
                "elsewhere": false,
                "takes": [],
                "missing": [],
                "lines": [
                    {
                        "id": "id12",
                        "take": null,
                        "why": null,
                        "others": [],
                        "was": null,
                        "was_take": null
                    }
                ]
            },
            "progress": {
                "fill": "filled",
                "notched": false,
                "says": "closing card",
                "kept": null,
                "waiting": null,
                "reading": null,
                "length_ms": 2000,
                "off_target_ms": null
            },
            "takes": [],
            "take_count": 0,
            "last_take": 0,
            "next": {
                "room": "record",
                "section": "id5",
                "says": "Record section 2"
            }
        }
    ]
} satisfies Lesson;

export const takes = [
    {
        "id": "id9",
        "section_id": "id4",
        "number": 1,
        "recorded_in": "id4",
        "lines": [
            {
                "heard": null,
                "id": "id7",
                "text": "Find the day.",
                "from_ms": 200
            },
            {
                "heard": null,
                "id": "id8",
                "text": "Then 4.8 4.9 5.0 5.1 read the height.",
                "from_ms": 658
            }
        ],
        "state": "ready",
        "cut_off": false,
        "verdict": "kept",
        "problem": null,
        "recording_kept": false,
        "length_ms": 2507,
        "used_from_ms": 200,
        "used_until_ms": 2490,
        "trimmed_by_hand": false,
        "flags": [],
        "camera": {
            "width": 320,
            "height": 240
        },
        "screen": null,
        "adjustment": null,
        "framing": null,
        "area": null,
        "retakes": [],
        "alignment": "nothing",
        "loudness": -12,
        "omitted": [],
        "cuts": [],
        "silences": [],
        "tightened": [],
        "cleaning": null,
        "markers": [],
        "media_url": "/api/takes/id9/media?v=12345678",
        "poster_url": "/api/takes/id9/poster",
        "recorded_at": "2026-03-01T12:00:00Z",
        "tracks": []
    },
    {
        "id": "id10",
        "section_id": "id4",
        "number": 2,
        "recorded_in": "id4",
        "lines": [
            {
                "heard": null,
                "id": "id7",
                "text": "Find the right day.",
                "from_ms": null
            },
            {
                "heard": null,
                "id": "id8",
                "text": "Then 4.8 4.9 5.0 5.1 read the height.",
                "from_ms": null
            }
        ],
        "state": "recording",
        "cut_off": false,
        "verdict": "undecided",
        "problem": null,
        "recording_kept": true,
        "length_ms": 0,
        "used_from_ms": 0,
        "used_until_ms": 0,
        "trimmed_by_hand": false,
        "flags": [],
        "camera": null,
        "screen": null,
        "adjustment": null,
        "framing": null,
        "area": null,
        "retakes": [],
        "alignment": "nothing",
        "loudness": null,
        "omitted": [],
        "cuts": [],
        "silences": [],
        "tightened": [],
        "cleaning": null,
        "markers": [],
        "media_url": "/api/takes/id10/media?v=recordin",
        "poster_url": null,
        "recorded_at": "2026-03-01T12:00:00Z",
        "tracks": [
            {
                "id": "id13",
                "kind": "camera",
                "next_chunk": 0
            }
        ]
    }
] satisfies Take[];

export const assembly = {
    "fps": 25,
    "frames": 108,
    "fade_in": 0,
    "fade_out": 0,
    "length_ms": 4320,
    "segments": [
        {
            "section_id": "id4",
            "position": 1,
            "title": "High water",
            "start_frame": 0,
            "frames": 58,
            "join": {
                "kind": "cut",
                "frames": 0
            },
            "take_id": "id9",
            "take_number": 1,
            "draft": false,
            "lines": [
                "id7",
                "id8"
            ],
            "words": [
                {
                    "line": "id7",
                    "frames": [
                        0,
                        3,
                        5,
                        9
                    ]
                },
                {
                    "line": "id8",
                    "frames": [
                        11,
                        17,
                        22,
                        27,
                        32,
                        37,
                        43,
                        48
                    ]
                }
            ],
            "map": [
                {
                    "frames": 58,
                    "in_ticks": 9600,
                    "step": 1920
                }
            ],
            "offset_ticks": 0,
            "media_url": "/api/takes/id9/media?v=12345678",
            "beside": [],
            "clicks": [],
            "silences": [],
            "gain_db": 1.5,
            "shots": [
                {
                    "offset": 0,
                    "frames": 11,
                    "picture": {
                        "frame": {
                            "width": 320,
                            "height": 180
                        },
                        "ground": "1B2430",
                        "layers": [
                            {
                                "shows": "slide",
                                "url": "/api/slides/id3/picture?v=12345678",
                                "marks": [],
                                "rect": {
                                    "x": 0,
                                    "y": 0,
                                    "width": 320,
                                    "height": 180
                                },
                                "fit": "whole",
                                "edge": null,
                                "crop": null,
                                "opacity": 1,
                                "motion": null
                            },
                            {
                                "shows": "camera",
                                "url": null,
                                "marks": [],
                                "colours": null,
                                "rect": {
                                    "x": 246,
                                    "y": 122,
                                    "width": 66,
                                    "height": 50
                                },
                                "fit": "filled",
                                "edge": {
                                    "radius": 6,
                                    "border": 2,
                                    "colour": "FFFFFF",
                                    "shadow": 0,
                                    "drop": 0,
                                    "shade": 0.45
                                },
                                "crop": null,
                                "opacity": 1,
                                "motion": null
                            }
                        ]
                    }
                },
                {
                    "offset": 11,
                    "frames": 47,
                    "picture": {
                        "frame": {
                            "width": 320,
                            "height": 180
                        },
                        "ground": "1B2430",
                        "layers": [
                            {
                                "shows": "camera",
                                "url": null,
                                "marks": [],
                                "colours": null,
                                "rect": {
                                    "x": 0,
                                    "y": 0,
                                    "width": 320,
                                    "height": 180
                                },
                                "fit": "filled",
                                "edge": null,
                                "crop": null,
                                "opacity": 1,
                                "motion": null
                            }
                        ]
                    }
                }
            ]
        },
        {
            "section_id": "id6",
            "position": 3,
            "title": "Bye",
            "start_frame": 58,
            "frames": 50,
            "join": {
                "kind": "cut",
                "frames": 0
            },
            "take_id": null,
            "take_number": null,
            "draft": false,
            "lines": [],
            "words": [],
            "map": null,
            "offset_ticks": 0,
            "media_url": null,
            "beside": [],
            "clicks": [],
            "silences": [],
            "gain_db": 1.5,
            "shots": [
                {
                    "offset": 0,
                    "frames": 50,
                    "picture": {
                        "frame": {
                            "width": 320,
                            "height": 180
                        },
                        "ground": "1B2430",
                        "layers": [
                            {
                                "shows": "card",
                                "url": "/api/cards/hash",
                                "marks": [],
                                "rect": {
                                    "x": 0,
                                    "y": 0,
                                    "width": 320,
                                    "height": 180
                                },
                                "fit": "whole",
                                "edge": null,
                                "crop": null,
                                "opacity": 1,
                                "motion": null
                            }
                        ]
                    }
                }
            ]
        }
    ],
    "music": [
        {
            "name": "Slack water",
            "url": "/api/music/hash",
            "at": 111360,
            "until": 207360,
            "round": {
                "from": 0,
                "until": 1152000
            },
            "loud": [
                [
                    111360,
                    0
                ],
                [
                    113836,
                    0.017149
                ],
                [
                    116312,
                    0.038193
                ],
                [
                    118788,
                    0.063134
                ],
                [
                    121265,
                    0.091982
                ],
                [
                    123741,
                    0.124716
                ],
                [
                    126217,
                    0.161345
                ],
                [
                    128693,
                    0.20187
                ],
                [
                    131170,
                    0.24631
                ],
                [
                    135893,
                    0.258926
                ],
                [
                    140617,
                    0.267859
                ],
                [
                    145341,
                    0.273104
                ],
                [
                    150065,
                    0.274662
                ],
                [
                    154788,
                    0.272533
                ],
                [
                    159512,
                    0.266717
                ],
                [
                    164236,
                    0.257214
                ],
                [
                    168960,
                    0.244024
                ],
                [
                    207360,
                    0
                ]
            ]
        }
    ],
    "silences": [],
    "idle_cues": [],
    "missing": [
        "id5"
    ],
    "sections": 2,
    "unread": 0,
    "unread_because": null,
    "rendered": 2
} satisfies Assembly;

export const exports = [
    {
        "id": "id14",
        "state": "done",
        "progress": 1,
        "doing": null,
        "seconds_left": null,
        "file_name": "Tides.mp4",
        "draft": false,
        "edition": {
            "width": null,
            "height": null,
            "quality": "balanced",
            "format": "mp4",
            "section": null,
            "burned": false,
            "draft": false
        },
        "batch": null,
        "revision": 3,
        "bytes": 1,
        "length_ms": 4320,
        "findings": [
            {
                "name": "frames",
                "ok": true,
                "says": "All 108 frames are there."
            },
            {
                "name": "duration",
                "ok": true,
                "says": "Picture and sound are equally long."
            },
            {
                "name": "streams",
                "ok": true,
                "says": "H.264 picture of 320 x 180 and AAC sound."
            },
            {
                "name": "chapters",
                "ok": true,
                "says": "2 chapters."
            },
            {
                "name": "captions",
                "ok": true,
                "says": "Captions are in it as text (1), to be switched on."
            },
            {
                "name": "loudness",
                "ok": true,
                "says": "Loudness"
            }
        ],
        "problem": null,
        "up_to_date": true,
        "started_at": "2026-03-01T12:00:00Z",
        "beside": [
            {
                "kind": "captions.vtt",
                "url": "/api/exports/id14/beside/captions.vtt",
                "bytes": 1
            },
            {
                "kind": "captions.srt",
                "url": "/api/exports/id14/beside/captions.srt",
                "bytes": 1
            },
            {
                "kind": "chapters.vtt",
                "url": "/api/exports/id14/beside/chapters.vtt",
                "bytes": 1
            },
            {
                "kind": "chapters.txt",
                "url": "/api/exports/id14/beside/chapters.txt",
                "bytes": 1
            },
            {
                "kind": "transcript.txt",
                "url": "/api/exports/id14/beside/transcript.txt",
                "bytes": 1
            },
            {
                "kind": "transcript.html",
                "url": "/api/exports/id14/beside/transcript.html",
                "bytes": 1
            },
            {
                "kind": "script.md",
                "url": "/api/exports/id14/beside/script.md",
                "bytes": 1
            },
            {
                "kind": "transcript.docx",
                "url": "/api/exports/id14/beside/transcript.docx",
                "bytes": 1
            },
            {
                "kind": "thumbnail.jpg",
                "url": "/api/exports/id14/beside/thumbnail.jpg",
                "bytes": 1
            },
            {
                "kind": "thumbnail-small.jpg",
                "url": "/api/exports/id14/beside/thumbnail-small.jpg",
                "bytes": 1
            },
            {
                "kind": "thumbnail-title.jpg",
                "url": "/api/exports/id14/beside/thumbnail-title.jpg",
                "bytes": 1
            },
            {
                "kind": "sound.m4a",
                "url": "/api/exports/id14/beside/sound.m4a",
                "bytes": 1
            },
            {
                "kind": "sound.mp3",
                "url": "/api/exports/id14/beside/sound.mp3",
                "bytes": 1
            }
        ],
        "file_url": "/api/exports/id14/file"
    }
] satisfies Export[];

export const script = {
    "text": "[target 0:30]\n\n# Tides\n\n## High water\n\n[slide: 640x360]\n\nFind the right day. [layout: camera alone] Then 4.8 4.9 5.0 5.1 read the height.\n\n## Not yet\n\nNobody has said this.\n\n## Bye\n\n[card: closing, 2 s] [music: Slack water]\n\nThanks.\n",
    "revision": 3,
    "title": "Tides",
    "sections": [
        {
            "id": "id4",
            "from": 24,
            "slides": [
                {
                    "slide": "id3",
                    "from": 39
                }
            ],
            "lines": [
                {
                    "id": "id7",
                    "from": 57,
                    "until": 76
                },
                {
                    "id": "id8",
                    "from": 100,
                    "until": 137
                }
            ],
            "until": 139,
            "card_url": null,
            "stage": null
        },
        {
            "id": "id5",
            "from": 139,
            "slides": [],
            "lines": [
                {
                    "id": "id11",
                    "from": 151,
                    "until": 172
                }
            ],
            "until": 174,
            "card_url": null,
            "stage": null
        },
        {
            "id": "id6",
            "from": 174,
            "slides": [],
            "lines": [
                {
                    "id": "id12",
                    "from": 225,
                    "until": 232
                }
            ],
            "until": 233,
            "card_url": "/api/cards/hash",
            "stage": null
        }
    ]
} satisfies ScriptText;

export const findings = [
    {
        "kind": "numbers",
        "says": "Many numbers in one line are hard to say and to follow: \"Then 4.8 4.9 5.0 5.1 read the height.\"",
        "at": 100,
        "section_id": "id4"
    },
    {
        "kind": "picture",
        "says": "Section 2 (\"Not yet\") begins without a slide: the camera will be shown alone.",
        "at": 139,
        "section_id": "id5"
    },
    {
        "kind": "deck",
        "says": "One slide is not used: \"360x360\".",
        "at": null,
        "section_id": null
    },
    {
        "kind": "target",
        "says": "The lesson takes about 0:11; its target is 0:30.",
        "at": null,
        "section_id": null
    }
] satisfies Finding[];

export const ties = [
    {
        "slide": "id15",
        "name": "360x360",
        "url": "/api/slides/id15/picture?v=12345678",
        "at": 57,
        "section": 1,
        "line": "Find the right day.",
        "because": "Nothing else fits better in this order."
    }
] satisfies TieProposal[];

export const slides = [
    {
        "id": "id15",
        "name": "360x360",
        "width": 360,
        "height": 360,
        "text": "",
        "url": "/api/slides/id15/picture?v=12345678",
        "steps": 0,
        "film_ms": null
    },
    {
        "id": "id3",
        "name": "640x360",
        "width": 640,
        "height": 360,
        "text": "",
        "url": "/api/slides/id3/picture?v=12345678",
        "steps": 0,
        "film_ms": null
    }
] satisfies Slide[];

export const cues = {
    "revision": 3,
    "sections": {
        "id4": [
            {
                "number": 0,
                "kind": "slide",
                "value": "640x360",
                "text": "[slide: 640x360]",
                "line": "id7",
                "word": 0,
                "problem": null
            },
            {
                "number": 1,
                "kind": "layout",
                "value": "camera alone",
                "text": "[layout: camera alone]",
                "line": "id8",
                "word": 0,
                "problem": null
            }
        ],
        "id5": [],
        "id6": [
            {
                "number": 0,
                "kind": "card",
                "value": "closing, 2 s",
                "text": "[card: closing, 2 s]",
                "line": "id12",
                "word": 0,
                "problem": null
            },
            {
                "number": 1,
                "kind": "music",
                "value": "Slack water",
                "text": "[music: Slack water]",
                "line": "id12",
                "word": 0,
                "problem": null
            }
        ]
    }
} satisfies LessonCues;

export const captions = {
    "sections": [
        {
            "section_id": "id4",
            "captions": [
                {
                    "number": 0,
                    "line": "id7",
                    "word": 0,
                    "translated": [],
                    "rows": [
                        "Find the right day.",
                        "Then 4.8 4.9 5.0 5.1 read the height."
                    ],
                    "was": "Find the right day. Then 4.8 4.9 5.0 5.1 read the height.",
                    "from_frame": 0,
                    "until_frame": 72,
                    "checked": false,
                    "to_fill": false,
                    "before": null,
                    "problem": null
                }
            ]
        }
    ],
    "count": 1,
    "unchecked": 1,
    "languages": {
        "ar": "العربية",
        "cy": "Cymraeg",
        "da": "Dansk",
        "de": "Deutsch",
        "en": "English",
        "es": "Español",
        "fr": "Français",
        "it": "Italiano",
        "ja": "日本語",
        "nl": "Nederlands",
        "pl": "Polski",
        "pt": "Português",
        "sv": "Svenska",
        "uk": "Українська",
        "zh": "中文"
    },
    "look": {
        "frame": {
            "width": 320,
            "height": 180
        },
        "row": 10,
        "letters": 8.06,
        "box": true,
        "padding": 2,
        "outline": 1,
        "bottom": 10,
        "face": "Atkinson Hyperlegible",
        "paper": "FAF8F3",
        "ink": "1B2430",
        "opacity": 0.82
    }
} satisfies LessonCaptions;

export const site = {
    "site": {
        "id": "id16",
        "path": "/watch/token",
        "shown": true,
        "withdrawn": false,
        "ends_on": null,
        "password": false,
        "versions": [
            {
                "number": 1,
                "export_id": "id14",
                "note": "",
                "draft": false,
                "published_at": "2026-03-01T12:00:00Z"
            }
        ],
        "watched": []
    },
    "comments": [
        {
            "id": "id17",
            "name": "Piran",
            "by_presenter": false,
            "text": "Louder.",
            "said_at": "2026-03-01T12:00:00Z",
            "at_ms": 900,
            "version": 1,
            "of_draft": false,
            "section_id": "id4",
            "line_id": "id7",
            "line_was": "Find the right day.",
            "line_now": "Find the right day.",
            "done": false,
            "done_in": null,
            "hidden": false,
            "answers": [
                {
                    "id": "id18",
                    "name": "",
                    "by_presenter": true,
                    "text": "I will.",
                    "said_at": "2026-03-01T12:00:00Z",
                    "hidden": false
                }
            ]
        }
    ],
    "held": 0
} satisfies LessonSite;

export const delivery = {
    "folder": "Site folder",
    "there": {
        "export_id": "id14",
        "number": 1,
        "path": "reading-the-water/tides",
        "url": null,
        "sent_at": "2026-03-01T12:00:00Z"
    },
    "last": {
        "id": "id19",
        "export_id": "id14",
        "state": "done",
        "done": 1,
        "total": 1,
        "problem": null,
        "seconds_left": null
    }
} satisfies SiteDelivery;

export const music = [
    {
        "name": "Slack water",
        "says": "calm, wide chords",
        "url": "/api/music/hash",
        "length_ms": 24000,
        "id": null
    },
    {
        "name": "Morning ebb",
        "says": "plucked, an even walk",
        "url": "/api/music/hash",
        "length_ms": 20000,
        "id": null
    },
    {
        "name": "Steady stroke",
        "says": "brisk, a bass that steps",
        "url": "/api/music/hash",
        "length_ms": 17777,
        "id": null
    }
] satisfies OfferedMusic[];

export const decks = [] satisfies Deck[];

export const courses = [
    {
        "id": "id2",
        "name": "Reading the Water",
        "may": [
            "see",
            "comment",
            "write",
            "record",
            "publish",
            "own"
        ],
        "page": null,
        "lessons": 1,
        "style": {
            "inset_shape": "rounded",
            "border": "thin",
            "width": 1920,
            "height": 1080,
            "fps": 25,
            "layout": "slide-with-inset",
            "inset_corner": "bottom-right",
            "inset_size": "medium",
            "border_colour": "FFFFFF",
            "inset_shadow": "off",
            "ground": "1B2430",
            "background": "plain",
            "card": "page",
            "heading_face": "serif",
            "text_face": "sans",
            "paper": "FAF8F3",
            "ink": "1B2430",
            "accent": "0B5D66",
            "presenter": "",
            "logo": null,
            "logo_corner": "top-left",
            "logo_size": "small",
            "join": "cut",
            "layout_move": 0,
            "emphasis_look": "plain",
            "hide_jumps": "on",
            "fade_in": 0,
            "fade_out": 0,
            "music_under": 6,
            "music_depth": 12,
            "music_attack": 300,
            "music_release": 1200,
            "card_sound": "off",
            "page_sound": "off",
            "caption_look": "box",
            "caption_size": "medium",
            "film_name": "{title}",
            "language": "en",
            "count_down": 3,
            "sound_target": -16,
            "computer_under": 12,
            "noise_reduction": "off",
            "hum_filter": "off",
            "low_cut": "off",
            "longest_pause": 0
        },
        "warnings": [],
        "logos": []
    }
] satisfies Course[];

export const style = {
    "style": {
        "inset_shape": "rounded",
        "border": "thin",
        "width": 1920,
        "height": 1080,
        "fps": 25,
        "layout": "slide-with-inset",
        "inset_corner": "bottom-right",
        "inset_size": "medium",
        "border_colour": "FFFFFF",
        "inset_shadow": "off",
        "ground": "1B2430",
        "background": "plain",
        "card": "page",
        "heading_face": "serif",
        "text_face": "sans",
        "paper": "FAF8F3",
        "ink": "1B2430",
        "accent": "0B5D66",
        "presenter": "",
        "logo": null,
        "logo_corner": "top-left",
        "logo_size": "small",
        "join": "cut",
        "layout_move": 0,
        "emphasis_look": "plain",
        "hide_jumps": "on",
        "fade_in": 0,
        "fade_out": 0,
        "music_under": 6,
        "music_depth": 12,
        "music_attack": 300,
        "music_release": 1200,
        "card_sound": "off",
        "page_sound": "off",
        "caption_look": "box",
        "caption_size": "medium",
        "film_name": "{title}",
        "language": "en",
        "count_down": 3,
        "sound_target": -16,
        "computer_under": 12,
        "noise_reduction": "off",
        "hum_filter": "off",
        "low_cut": "off",
        "longest_pause": 0
    },
    "course": {
        "inset_shape": "rounded",
        "border": "thin",
        "width": 1920,
        "height": 1080,
        "fps": 25,
        "layout": "slide-with-inset",
        "inset_corner": "bottom-right",
        "inset_size": "medium",
        "border_colour": "FFFFFF",
        "inset_shadow": "off",
        "ground": "1B2430",
        "background": "plain",
        "card": "page",
        "heading_face": "serif",
        "text_face": "sans",
        "paper": "FAF8F3",
        "ink": "1B2430",
        "accent": "0B5D66",
        "presenter": "",
        "logo": null,
        "logo_corner": "top-left",
        "logo_size": "small",
        "join": "cut",
        "layout_move": 0,
        "emphasis_look": "plain",
        "hide_jumps": "on",
        "fade_in": 0,
        "fade_out": 0,
        "music_under": 6,
        "music_depth": 12,
        "music_attack": 300,
        "music_release": 1200,
        "card_sound": "off",
        "page_sound": "off",
        "caption_look": "box",
        "caption_size": "medium",
        "film_name": "{title}",
        "language": "en",
        "count_down": 3,
        "sound_target": -16,
        "computer_under": 12,
        "noise_reduction": "off",
        "hum_filter": "off",
        "low_cut": "off",
        "longest_pause": 0
    },
    "own": [],
    "warnings": [],
    "logos": []
} satisfies LessonStyle;

export const pictures = [
    {
        "from_line": 1,
        "within": 0,
        "surface": "slide:id3",
        "stage": {
            "x": 0,
            "y": 0,
            "width": 320,
            "height": 180
        },
        "wants_screen": false,
        "says": "",
        "frame": {
            "width": 320,
            "height": 180
        },
        "ground": "1B2430",
        "layers": [
            {
                "shows": "slide",
                "url": "/api/slides/id3/picture?v=12345678",
                "marks": [],
                "rect": {
                    "x": 0,
                    "y": 0,
                    "width": 320,
                    "height": 180
                },
                "fit": "whole",
                "edge": null,
                "crop": null,
                "opacity": 1,
                "motion": null
            },
            {
                "shows": "camera",
                "url": null,
                "marks": [],
                "colours": null,
                "rect": {
                    "x": 246,
                    "y": 122,
                    "width": 66,
                    "height": 50
                },
                "fit": "filled",
                "edge": {
                    "radius": 6,
                    "border": 2,
                    "colour": "FFFFFF",
                    "shadow": 0,
                    "drop": 0,
                    "shade": 0.45
                },
                "crop": null,
                "opacity": 1,
                "motion": null
            }
        ]
    },
    {
        "from_line": 2,
        "within": 0,
        "surface": null,
        "stage": null,
        "wants_screen": false,
        "says": "",
        "frame": {
            "width": 320,
            "height": 180
        },
        "ground": "1B2430",
        "layers": [
            {
                "shows": "camera",
                "url": null,
                "marks": [],
                "colours": null,
                "rect": {
                    "x": 0,
                    "y": 0,
                    "width": 320,
                    "height": 180
                },
                "fit": "filled",
                "edge": null,
                "crop": null,
                "opacity": 1,
                "motion": null
            }
        ]
    }
] satisfies LinePicture[];

export const members = {
    "may": [
        "see",
        "comment",
        "write",
        "record",
        "publish",
        "own"
    ],
    "roles": [
        {
            "role": "owner",
            "says": "does everything, and says who takes part"
        },
        {
            "role": "presenter",
            "says": "writes and records"
        },
        {
            "role": "editor",
            "says": "writes, chooses takes, finishes and publishes"
        },
        {
            "role": "reviewer",
            "says": "looks, comments and approves"
        }
    ],
    "members": [
        {
            "id": "id20",
            "name": "Wenna",
            "email": "wenna@saltmarsh.example",
            "role": "owner",
            "through_course": false,
            "you": false
        }
    ],
    "invitations": []
} satisfies Members;

export const draft = {
    "needs_approval": false,
    "draft": null,
    "newest_film": "id14",
    "approvals": [],
    "approved": false,
    "since": null,
    "open_comments": 1
} satisfies ReviewState;

export const history = {
    "entries": [
        {
            "id": "id21",
            "who": "You",
            "deed": "published",
            "says": "published version 1",
            "at": "2026-03-01T12:00:00Z"
        },
        {
            "id": "id22",
            "who": "You",
            "deed": "delivered",
            "says": "sent “Tides.mp4” to the site",
            "at": "2026-03-01T12:00:00Z"
        },
        {
            "id": "id23",
            "who": "You",
            "deed": "exported",
            "says": "exported “Tides.mp4”",
            "at": "2026-03-01T12:00:00Z"
        },
        {
            "id": "id24",
            "who": "You",
            "deed": "kept",
            "says": "kept take 1 of “High water”",
            "at": "2026-03-01T12:00:00Z"
        },
        {
            "id": "id25",
            "who": "You",
            "deed": "recorded",
            "says": "recorded take 1 of “High water”",
            "at": "2026-03-01T12:00:00Z"
        },
        {
            "id": "id26",
            "who": "You",
            "deed": "created",
            "says": "created “Tides”",
            "at": "2026-03-01T12:00:00Z"
        }
    ],
    "more": false
} satisfies HistoryPage;

export const sample = {
    "frame": {
        "width": 1920,
        "height": 1080
    },
    "ground": "1B2430",
    "layers": [
        {
            "shows": "camera",
            "url": null,
            "marks": [],
            "colours": null,
            "rect": {
                "x": 0,
                "y": 0,
                "width": 1920,
                "height": 1080
            },
            "fit": "filled",
            "edge": null,
            "crop": null,
            "opacity": 1,
            "motion": null
        }
    ]
} satisfies Picture;
