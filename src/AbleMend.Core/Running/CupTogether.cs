namespace AbleMend.Core.Running;

/// <summary>What another mend takes of a cup.</summary>
/// <param name="Mend">Number of the mend.</param>
/// <param name="Item">What people call its item.</param>
/// <param name="StepId">Its step that would have mixed a cup of its own.</param>
/// <param name="Amount">How much of the cup is its, in the cup's unit.</param>
public sealed record CupShare(int Mend, string Item, string StepId, double Amount);

/// <summary>One cup for several mends, as one of them knows it.</summary>
/// <param name="IsMixedHere">Whether it is mixed at this mend; else at the first of the others.</param>
/// <param name="Scale">How many times the cup that this mend's plan asks for it is.</param>
/// <param name="Taken">How much this mend takes off the shelf, beside what its plan asks for: less where one cup spares what could not be measured finer.</param>
/// <param name="WorkMin">Minutes until everybody's share is spread, mixing included.</param>
/// <param name="LifeMin">Minutes for which it can be spread, if all of it is mixed as planned; null for what keeps.</param>
/// <param name="Own">How much of the cup is this mend's, in grams, or in mL where only volumes are known.</param>
/// <param name="Total">All that is in it.</param>
/// <param name="IsWeighed">Whether amounts are grams.</param>
/// <param name="Others">What the others take, the one that mixes it first.</param>
/// <param name="BeganAt">When it began to set; null before it is mixed.</param>
/// <param name="UseBy">When it can no longer be spread; null before it is mixed, and for what keeps.</param>
public sealed record CupTogether(
    bool IsMixedHere, double Scale, double Taken, double WorkMin, double? LifeMin, double Own, double Total, bool IsWeighed, IReadOnlyList<CupShare> Others, DateTimeOffset? BeganAt = null, DateTimeOffset? UseBy = null);

/// <summary>One cup that would do for several mends that are about to mix the same.</summary>
/// <param name="Mend">Number of the mend that would mix it.</param>
/// <param name="StepId">Its mix.</param>
/// <param name="Own">How much of it is this mend's, in grams, or in mL where only volumes are known.</param>
/// <param name="Total">All that would be in it.</param>
/// <param name="IsWeighed">Whether amounts are grams.</param>
/// <param name="Spared">How much less would be mixed than in cups of their own.</param>
/// <param name="WorkMin">Minutes until everybody's share would be spread, mixing included.</param>
/// <param name="LifeMin">Minutes for which it could be spread; null for what keeps.</param>
/// <param name="Others">What the others would take.</param>
/// <param name="LeftOut">Other mends that mix the same now, for whom it would be too much, too hot or too late.</param>
/// <param name="Coming">Mends that come to the same mix soon, and when.</param>
public sealed record CupOffer(
    int Mend, string StepId, double Own, double Total, bool IsWeighed, double Spared, double WorkMin, double? LifeMin,
    IReadOnlyList<CupShare> Others, IReadOnlyList<CupLeftOut> LeftOut, IReadOnlyList<CupComing> Coming);

/// <summary>A mend that one cup would not do for.</summary>
/// <param name="Mend">Number of the mend.</param>
/// <param name="Item">What people call its item.</param>
/// <param name="Why">Why not.</param>
public sealed record CupLeftOut(int Mend, string Item, Words.Message Why);

/// <summary>A mend that comes to the same mix soon.</summary>
/// <param name="Mend">Number of the mend.</param>
/// <param name="Item">What people call its item.</param>
/// <param name="At">When, as it now looks.</param>
public sealed record CupComing(int Mend, string Item, DateTimeOffset At);

/// <summary>A mend at the bench.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Item">What people call its item.</param>
/// <param name="Mend">The mend, under way.</param>
public sealed record MendAtBench(int Id, string Item, Mend Mend);
