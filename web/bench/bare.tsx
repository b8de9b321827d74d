import { AppBar, Box, Button, Card, CardContent, Toolbar, Typography } from "@mui/material";
import { createRoot } from "react-dom/client";

/** The least page that MUI makes: what PaintBench measures the desk beside. */
createRoot(document.getElementById("root") as HTMLElement).render(
  <>
    <AppBar position="static">
      <Toolbar>
        <Typography variant="h6">Bare</Typography>
      </Toolbar>
    </AppBar>
    <Box sx={{ p: 3 }}>
      <Card>
        <CardContent>
          <Typography>One card and one button.</Typography>
          <Button variant="contained">Press</Button>
        </CardContent>
      </Card>
    </Box>
  </>,
);
