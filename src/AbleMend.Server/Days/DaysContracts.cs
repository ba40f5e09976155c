using AbleMend.Core;
using AbleMend.Core.Days;
using AbleMend.Core.Running;

namespace AbleMend.Server.Days;

/// <summary>A mend in the plan of the days.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Tag">Tag of its item.</param>
/// <param name="ItemName">What people call the item.</param>
/// <param name="Status">Whether it is under way.</param>
/// <param name="Wish">What somebody wants of it.</param>
public sealed record DaysMend(int Id, string Tag, string ItemName, MendStatus Status, DayWish Wish);

/// <summary>A mend that is not laid into the days.</summary>
/// <param name="Mend">The mend.</param>
/// <param name="Why">Why.</param>
public sealed record LeftOut(DaysMend Mend, Problem Why);

/// <summary>The plan of the days.</summary>
/// <param name="Now">The shop's present.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Mends">The mends in it.</param>
/// <param name="LeftOut">The mends that are not in it.</param>
/// <param name="Load">What each of the coming days asks of the hands that are there.</param>
/// <param name="Calendars">Addresses of its calendars: the whole shop's, then each person's. Whoever knows one can read it.</param>
public sealed record DaysView(DateTimeOffset Now, DaysPlan Plan, IReadOnlyList<DaysMend> Mends, IReadOnlyList<LeftOut> LeftOut, IReadOnlyList<string> Calendars, IReadOnlyList<DayLoad> Load);
