using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace AbleMend.Data.Migrations
{
    /// <inheritdoc />
    public partial class Tickets : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "TicketId",
                table: "Mends",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "TicketId",
                table: "Deeds",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Agreements",
                columns: table => new
                {
                    Id = table.Column<long>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    MendId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    By = table.Column<string>(type: "TEXT", nullable: false),
                    HeardBy = table.Column<string>(type: "TEXT", nullable: true),
                    UpTo = table.Column<double>(type: "REAL", nullable: true),
                    Currency = table.Column<string>(type: "TEXT", nullable: true),
                    ToldJson = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Agreements", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Agreements_Mends_MendId",
                        column: x => x.MendId,
                        principalTable: "Mends",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Tickets",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    CustomerName = table.Column<string>(type: "TEXT", nullable: false),
                    Reach = table.Column<string>(type: "TEXT", nullable: true),
                    Note = table.Column<string>(type: "TEXT", nullable: true),
                    TakenInAt = table.Column<long>(type: "INTEGER", nullable: false),
                    DueAt = table.Column<long>(type: "INTEGER", nullable: true),
                    CollectedAt = table.Column<long>(type: "INTEGER", nullable: true),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Tickets", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Mends_TicketId",
                table: "Mends",
                column: "TicketId");

            migrationBuilder.CreateIndex(
                name: "IX_Deeds_TicketId",
                table: "Deeds",
                column: "TicketId");

            migrationBuilder.CreateIndex(
                name: "IX_Agreements_MendId",
                table: "Agreements",
                column: "MendId");

            migrationBuilder.CreateIndex(
                name: "IX_Tickets_CollectedAt",
                table: "Tickets",
                column: "CollectedAt");

            migrationBuilder.AddForeignKey(
                name: "FK_Deeds_Tickets_TicketId",
                table: "Deeds",
                column: "TicketId",
                principalTable: "Tickets",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_Deeds_Tickets_TicketId",
                table: "Deeds");

            migrationBuilder.DropTable(
                name: "Agreements");

            migrationBuilder.DropTable(
                name: "Tickets");

            migrationBuilder.DropIndex(
                name: "IX_Mends_TicketId",
                table: "Mends");

            migrationBuilder.DropIndex(
                name: "IX_Deeds_TicketId",
                table: "Deeds");

            migrationBuilder.DropColumn(
                name: "TicketId",
                table: "Mends");

            migrationBuilder.DropColumn(
                name: "TicketId",
                table: "Deeds");
        }
    }
}
