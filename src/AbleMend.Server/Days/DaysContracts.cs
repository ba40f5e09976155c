using AbleMend.Core;
using AbleMend.Core.Days;
using AbleMend.Core.Running;
using AbleMend.Core.Safety;
using AbleMend.Core.Words;

namespace AbleMend.Server.Days;

/// <summary>A mend in the plan of the days.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Tag">Tag of its item.</param>
/// <param name="ItemName">What people call the item.</param>
/// <param name="Status">Whether it is under way.</param>
/// <param name="Wish">What somebody wants of it.</param>
public sealed record DaysMend(int Id, string Tag, string ItemName, MendStatus Status, DayWish Wish);

/// <summary>What somebody wants of a mend, as it is to be.</summary>
/// <param name="Wish">What is wanted.</param>
/// <param name="Was">What was wanted when the change was made. What was not touched stays as it is by now.</param>
public sealed record WishChange(DayWish Wish, DayWish Was);

/// <summary>A mend that is not laid into the days.</summary>
/// <param name="Mend">The mend.</param>
/// <param name="Why">Why.</param>
public sealed record LeftOut(DaysMend Mend, Problem Why);

/// <summary>A vapour in the room.</summary>
/// <param name="Mend">Number of the mend that gives it off.</param>
/// <param name="Tag">Tag of its item.</param>
/// <param name="Title">What the hands do then.</param>
/// <param name="Solvent">Which vapour.</param>
/// <param name="Grams">How much.</param>
/// <param name="At">When that begins.</param>
public sealed record RoomVapour(int Mend, string Tag, Message Title, string Solvent, double Grams, DateTimeOffset At);

/// <summary>The air of the shop's room today.</summary>
/// <param name="Now">The shop's present.</param>
/// <param name="RoomM3">The room in m³; null where nobody has said how large it is, and nothing is estimated.</param>
/// <param name="Day">The estimate; null without a room.</param>
/// <param name="Vapours">What is given off, and when, in order.</param>
/// <param name="CartridgeHours">Hours that a cartridge serves.</param>
public sealed record AirView(DateTimeOffset Now, double? RoomM3, AirOfDay? Day, IReadOnlyList<RoomVapour> Vapours, double CartridgeHours);

/// <summary>The plan of the days.</summary>
/// <param name="Now">The shop's present.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Mends">The mends in it.</param>
/// <param name="LeftOut">The mends that are not in it.</param>
/// <param name="Load">What each of the coming days asks of the hands that are there.</param>
/// <param name="Calendars">Addresses of its calendars: the whole shop's, then each person's. Whoever knows one can read it.</param>
public sealed record DaysView(DateTimeOffset Now, DaysPlan Plan, IReadOnlyList<DaysMend> Mends, IReadOnlyList<LeftOut> LeftOut, IReadOnlyList<string> Calendars, IReadOnlyList<DayLoad> Load);
