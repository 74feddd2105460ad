/** The views in the order in which a coach's work is done, one key each. */
export const views = [
  { id: 'now', name: 'Now', key: '1' },
  { id: 'teach', name: 'Teach', key: '2' },
  { id: 'drills', name: 'Drills', key: '3' },
  { id: 'plan', name: 'Plan', key: '4' },
  { id: 'run', name: 'Run', key: '5' },
  { id: 'squad', name: 'Squad', key: '6' },
  { id: 'games', name: 'Games', key: '7' }
];

/** What the window's title says of a page inside a view, by its route after the team. */
export const titles: Record<string, string> = {
  '/help': 'Help',
  '/settings': 'Settings',
  '/numbers': 'Where these numbers come from',
  '/teach/cards': 'Cue cards',
  '/teach/tape': 'Tape sheet',
  '/teach/motion': 'Motion offense',
  '/teach/motion/steps': 'Step by step',
  '/teach/motion/bench': 'Bench sheet',
  '/teach/principles': 'Principles',
  '/show': 'Show the team',
  '/show/round': 'Everybody points',
  '/drills/edit': 'Write a drill',
  '/plan/week': 'Loads',
  '/plan/season': 'The weeks ahead',
  '/plan/outbox': 'Sent mail',
  '/plan/[practice]': 'Plan',
  '/plan/[practice]/print': 'Print a plan',
  '/run/[practice]/review': 'After practice',
  '/squad/program': 'All teams',
  '/squad/links': 'Player links',
  '/games/[game]/bench': 'Bench log',
  '/clicker': 'Hand clicker'
};

/** The keys a view adds, for the help that "?" opens. */
export const viewKeys: Record<string, [string, string][]> = {
  teach: [
    ['Tab', 'to a defender, then the arrow keys move the defender half a foot (Shift: two inches)'],
    ['M', 'mirror to the other side'],
    ['Space', 'play and stop'],
    ['N', 'next step']
  ],
  plan: [
    ['F', 'build the practice'],
    ['H', 'fill open time'],
    ['Ctrl Z / Ctrl Y', 'undo and redo'],
    ['Ctrl S', 'save the plan'],
    ['Up, Down on a block', 'choose the block before or after'],
    ['Alt Up, Alt Down', 'move the chosen block'],
    ['+ and −', 'a minute more or less'],
    ['P', 'pin the chosen block, or let it go'],
    ['Delete', 'take the chosen block out'],
    ['Left, Right', 'in the week of loads: the week before or after']
  ],
  run: [
    ['1 – 6', 'log the answer on that button'],
    ['Down, Up', 'point at another answer; Page Down logs it (a clicker sends these)'],
    ['Z or Page Up', 'take the last rep back'],
    ['F', 'freeze, and play on'],
    ['C', 'cover the cue'],
    ['Space', 'start and stop the clock'],
    ['N', 'next block'],
    ['H', 'the horn']
  ]
};
