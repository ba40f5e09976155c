using AbleMend.Core.Instruments;
using AbleMend.Core.Limits;

namespace AbleMend.Server.Instruments;

/// <summary>What the shop's instruments read.</summary>
/// <param name="Now">The shop's present.</param>
/// <param name="Instruments">Those that are attached, and those that were, by their identifiers.</param>
/// <param name="Sweating">How far an item is from where dew falls on it, by what lies on none of them; null where air and humidity are not read.</param>
/// <param name="AtItems">The same of those that a probe lies on.</param>
public sealed record InstrumentsView(DateTimeOffset Now, IReadOnlyList<InstrumentView> Instruments, Sweating? Sweating, IReadOnlyList<ItemSweating> AtItems);

/// <summary>How far an item that a probe lies on is from where dew falls on it.</summary>
/// <param name="Mend">The mend of the item.</param>
/// <param name="Sweating">How far.</param>
public sealed record ItemSweating(int Mend, Sweating Sweating);

/// <summary>An instrument with what it read last.</summary>
/// <param name="Id">Identifier.</param>
/// <param name="Name">What people call it.</param>
/// <param name="IsAttached">Whether it is attached now.</param>
/// <param name="IsSimulated">Whether it is a stand-in that can be told what to show.</param>
/// <param name="Readings">What it measures.</param>
/// <param name="LeftAt">When it went, or null.</param>
public sealed record InstrumentView(string Id, string Name, bool IsAttached, bool IsSimulated, IReadOnlyList<ReadingView> Readings, DateTimeOffset? LeftAt);

/// <summary>What an instrument read last of one thing.</summary>
/// <param name="What">What is measured.</param>
/// <param name="Unit">Its unit.</param>
/// <param name="Step">Smallest step of the display.</param>
/// <param name="Value">How much; null before it has read any.</param>
/// <param name="IsStill">Whether it no longer moves.</param>
/// <param name="At">When it came, by the shop's clock.</param>
public sealed record ReadingView(Measurand What, string Unit, double Step, double? Value, bool IsStill, DateTimeOffset? At);

/// <summary>What a simulated instrument is told.</summary>
/// <param name="Words">Such as <c>pour 20</c>.</param>
public sealed record Doing([property: Size(1, 80)] string Words);
